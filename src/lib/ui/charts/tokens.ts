/** Colours of the theme as plain hex: ECharts takes no `oklch()` and no `var()`. Read again when the theme changes. */
export type TokenName =
    | '--color-base-100'
    | '--color-base-content'
    | '--color-primary'
    | '--ink2'
    | '--ink3'
    | '--edge'
    | '--grid'
    | '--d0'
    | '--d1'
    | '--d2'
    | '--d3'
    | '--d4'
    | '--d5'
    | '--d6'
    | '--d7'
    | '--d8'
    | '--d9';

export function readTokens(): (name: TokenName) => string {
    const styles = getComputedStyle(document.documentElement);
    const canvas = document.createElement('canvas');
    canvas.width = canvas.height = 1;
    const context = canvas.getContext('2d', { willReadFrequently: true });
    const known = new Map<string, string>();
    return (name) => {
        let hex = known.get(name);
        if (hex === undefined) {
            hex = '#808080';
            if (context) {
                context.clearRect(0, 0, 1, 1);
                context.fillStyle = styles.getPropertyValue(name).trim();
                context.fillRect(0, 0, 1, 1);
                const [red = 0, green = 0, blue = 0] = context.getImageData(0, 0, 1, 1).data;
                hex = `#${[red, green, blue].map((part) => part.toString(16).padStart(2, '0')).join('')}`;
            }
            known.set(name, hex);
        }
        return hex;
    };
}

/** Calls back now and whenever the theme changes; gives back the way to stop. */
export function onTheme(change: () => void): () => void {
    change();
    const observer = new MutationObserver(change);
    observer.observe(document.documentElement, { attributes: true, attributeFilter: ['data-theme'] });
    return () => observer.disconnect();
}
