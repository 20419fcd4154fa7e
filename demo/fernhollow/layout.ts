/** The look of the demo site's pages: header with menu, trail, main part, section menu, footer. */

export interface PageParts {
    /** Path and query. */
    path: string;
    title: string;
    description?: string;
    /** Path of a canonical that is not the page itself. */
    canonical?: string;
    /** Content of a robots meta. */
    robots?: string;
    /** Pages above it: path and name. */
    trail?: [string, string][];
    sectionMenu?: [string, string][];
    main: string;
}

const ORIGIN = 'https://www.fernhollow-tools.example';

const MENU: [string, string][] = [
    ['/tools/', 'Tools'],
    ['/guides/', 'Guides'],
    ['/workshops/', 'Workshops'],
    ['/branches/', 'Branches'],
    ['/journal/', 'Journal'],
    ['/help/', 'Help'],
    ['/visit/', 'Visit'],
];

export function escapeHtml(text: string): string {
    return text.replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/>/g, '&gt;').replace(/"/g, '&quot;');
}

/** Paragraphs with [words](path) as links. */
export function prose(text: string): string {
    return text
        .split('\n\n')
        .map(
            (paragraph) => `<p>${escapeHtml(paragraph).replace(/\[([^\]]+)\]\(([^)]+)\)/g, '<a href="$2">$1</a>')}</p>`,
        )
        .join('\n');
}

function menu(items: [string, string][], current: string): string {
    return items
        .map(([path, name]) => (path === current ? `<li>${name}</li>` : `<li><a href="${path}">${name}</a></li>`))
        .join('');
}

export function page(parts: PageParts): string {
    const title = parts.path === '/' ? parts.title : `${parts.title} | Fernhollow Tool Library`;
    return `<!doctype html>
<html lang="en-GB">
<head>
<meta charset="utf-8">
<title>${escapeHtml(title)}</title>
${parts.description ? `<meta name="description" content="${escapeHtml(parts.description)}">\n` : ''}${parts.robots ? `<meta name="robots" content="${parts.robots}">\n` : ''}<link rel="canonical" href="${ORIGIN}${parts.canonical ?? parts.path}">
</head>
<body>
<header>
<a href="/" aria-label="Fernhollow Tool Library, start page">Fernhollow</a>
<nav aria-label="Main"><ul>${menu(MENU, parts.path)}</ul></nav>
<a href="/members/">Members</a>
</header>
${parts.trail ? `<nav aria-label="Trail"><ol><li><a href="/">Home</a></li>${parts.trail.map(([path, name]) => `<li><a href="${path}">${name}</a></li>`).join('')}</ol></nav>\n` : ''}<main>
${parts.main}
</main>
${parts.sectionMenu ? `<nav aria-label="Workshops"><ul>${menu(parts.sectionMenu, parts.path)}</ul></nav>\n` : ''}<footer>
<ul><li><a href="/help/rules/">Rules</a></li><li><a href="/help/charges/">Fees</a></li><li><a href="/guides/hire-a-ladder/">Ladder hire</a></li><li><a href="/files/safety.pdf">Safety sheet</a></li></ul>
<p>Fernhollow Tool Library, Mill Lane. Lent with trust since 2009.</p>
</footer>
</body>
</html>
`;
}
