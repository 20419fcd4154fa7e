/** Switches between the two themes and remembers the choice on this machine. */
export function switchTheme(): void {
    const root = document.documentElement;
    const next = root.dataset.theme === 'night' ? 'chart' : 'night';
    root.dataset.theme = next;
    try {
        localStorage.setItem('theme', next);
    } catch {
        // Storage is switched off: the choice holds for this page only.
    }
}
