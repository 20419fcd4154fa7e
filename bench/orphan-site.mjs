// A made site of many pages of 300 words, a tenth of them orphans that only the sitemap knows, and that other pages
// speak of without a link. What proposals are timed on at the server:
//     node bench/orphan-site.mjs 100000 8400        (in another terminal)
//     ./edgemap survey http://127.0.0.1:8400/ --data DIR
//     ./edgemap start --data DIR
//     node bench/proposal-times.mjs http://127.0.0.1:4300 1 1
import { createServer } from 'node:http';

const [pages = 100_000, port = 8400] = process.argv.slice(2).map(Number);
const ORPHAN_EACH = 10;
const CHILDREN = 40;
const VOCABULARY = 40_000;
const SYLLABLES = [
    'la',
    'der',
    'sa',
    'ring',
    'to',
    'ol',
    'ben',
    'ch',
    'mit',
    'er',
    'ing',
    'ed',
    'pla',
    'ner',
    'wo',
    'od',
];

const wordOf = (number) => {
    let word = '';
    for (let rest = number + 16; rest > 0; rest = Math.floor(rest / 16)) word += SYLLABLES[rest % 16];
    return word;
};
const isOrphan = (page) => page > 0 && page % ORPHAN_EACH === 7;
// Two rare words of its own, and a common one.
const titleOf = (page) => `${wordOf(20_000 + (page % 17_000))} ${wordOf(3_000 + (page % 9_001))} ${wordOf(page % 50)}`;

function randomOf(seed) {
    let state = seed * 7919 + 1;
    return () => {
        state = (state + 0x6d2b79f5) | 0;
        let mixed = Math.imul(state ^ (state >>> 15), state | 1);
        mixed ^= mixed + Math.imul(mixed ^ (mixed >>> 7), mixed | 61);
        return ((mixed ^ (mixed >>> 14)) >>> 0) / 4_294_967_296;
    };
}

// Children of a page in a tree of those that are linked: a heap, orphans left out where they are drawn.
function page(number) {
    const next = randomOf(number);
    const sentences = [];
    for (let sentence = 0; sentence < 25; sentence++) {
        const words = Array.from({ length: 12 }, () => wordOf(Math.floor(VOCABULARY ** next()) - 1));
        // Some sentences speak of another page; of those that are no orphans half are links.
        if (sentence % 8 === 3) {
            const other = Math.floor(next() * pages);
            const isLink = !isOrphan(other) && next() < 0.5;
            words.splice(4, 0, isLink ? `<a href="/about-${other}">${titleOf(other)}</a>` : titleOf(other));
        }
        sentences.push(`${words.join(' ')}.`);
    }
    const children = [];
    for (let child = number * CHILDREN + 1; child <= number * CHILDREN + CHILDREN && child < pages; child++) {
        if (!isOrphan(child)) children.push(`<li><a href="/about-${child}">${titleOf(child)}</a></li>`);
    }
    // What hangs below an orphan is listed by its parent's.
    const nav = `<nav><a href="/">Start</a> <a href="/about-1">One</a> <a href="/about-2">Two</a></nav>`;
    return `<!doctype html><html lang="en"><head><title>${titleOf(number)}</title></head><body>${nav}<main><h1>${titleOf(number)}</h1><p>${sentences.join('</p><p>')}</p><ul>${children.join('')}</ul></main></body></html>`;
}

const PER_FILE = 40_000;
const files = Math.ceil(pages / PER_FILE);
const own = (path) => `http://127.0.0.1:${port}${path}`;
createServer((request, response) => {
    const path = request.url ?? '/';
    const send = (type, body) => {
        response.writeHead(200, { 'content-type': type });
        response.end(body);
    };
    if (path === '/robots.txt') return send('text/plain', `Sitemap: ${own('/sitemap.xml')}\n`);
    if (path === '/sitemap.xml') {
        const all = Array.from(
            { length: files },
            (_, file) => `<sitemap><loc>${own(`/map-${file}.xml`)}</loc></sitemap>`,
        );
        return send(
            'application/xml',
            `<sitemapindex xmlns="http://www.sitemaps.org/schemas/sitemap/0.9">${all.join('')}</sitemapindex>`,
        );
    }
    const file = /^\/map-(\d+)\.xml$/.exec(path);
    if (file) {
        const from = Number(file[1]) * PER_FILE;
        const all = Array.from(
            { length: Math.min(PER_FILE, pages - from) },
            (_, at) => `<url><loc>${own(`/about-${from + at}`)}</loc></url>`,
        );
        return send(
            'application/xml',
            `<urlset xmlns="http://www.sitemaps.org/schemas/sitemap/0.9">${all.join('')}</urlset>`,
        );
    }
    const number = path === '/' ? 0 : Number(/^\/about-(\d+)$/.exec(path)?.[1] ?? NaN);
    if (!(number < pages)) {
        response.writeHead(404);
        return response.end();
    }
    send('text/html; charset=utf-8', page(number));
}).listen(port, '127.0.0.1', () => console.log(`${pages} pages at ${own('/')}`));
