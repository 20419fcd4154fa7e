/** The look of the demo site's pages: header with menu, trail, main part, section menu, footer. */

export interface PageParts {
    /** Path and query. */
    path: string;
    title: string;
    description?: string;
    /** Path, or whole URL, of a canonical that is not the page itself; null for none. */
    canonical?: string | null;
    /** Language of the page; English when it is not said. */
    language?: string;
    /** The same page in all its languages: language code and path. */
    alternates?: [string, string][];
    /** Content of a robots meta. */
    robots?: string;
    /** Pages above it: path and name. */
    trail?: [string, string][];
    sectionMenu?: [string, string][];
    /** Of a list that goes over several pages: paths of those beside it. */
    sequence?: { next: string | null; previous: string | null };
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
    const canonical = parts.canonical === undefined ? parts.path : parts.canonical;
    const canonicalUrl = canonical?.startsWith('/') ? ORIGIN + canonical : canonical;
    const alternates = (parts.alternates ?? [])
        .map(([code, path]) => `<link rel="alternate" hreflang="${code}" href="${ORIGIN}${path}">\n`)
        .join('');
    const sequence = [
        ['prev', parts.sequence?.previous],
        ['next', parts.sequence?.next],
    ]
        .map(([rel, path]) => (path ? `<link rel="${rel}" href="${path}">\n` : ''))
        .join('');
    return `<!doctype html>
<html lang="${parts.language ?? 'en-GB'}">
<head>
<meta charset="utf-8">
<title>${escapeHtml(title)}</title>
${parts.description ? `<meta name="description" content="${escapeHtml(parts.description)}">\n` : ''}${parts.robots ? `<meta name="robots" content="${parts.robots}">\n` : ''}${alternates}${sequence}${canonicalUrl === null ? '' : `<link rel="canonical" href="${canonicalUrl}">\n`}</head>
<body>
<header>
<a href="/" aria-label="Fernhollow Tool Library, start page">Fernhollow</a>
<nav aria-label="Main"><ul>${menu(MENU, parts.path)}</ul></nav>
<a href="/members/">Members</a>
<p lang="cy"><a href="/cy/" hreflang="cy">Cymraeg</a></p>
<p lang="fr"><a href="/fr/" hreflang="fr">Français</a></p>
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
