/** Sites that look random and are the same in every run: what measures, sets and packing are tried on. */
import { lehmer } from '$lib/core/graph/graphs.fixture.ts';
import { Site, type SmallLink } from './small-site.ts';
import { told } from './problems.ts';

const SECTIONS = ['guides', 'tools', 'journal'];

/** Names of lists from elsewhere. */
export const LISTS = ['march.log', 'june.log'];

const HEAD_KINDS = ['prev', 'next', 'hreflang', 'iframe', 'meta-refresh'] as const;

/** A site that looks random and is the same in every run: menus, redirects, errors, closed pages, orphans. */
export function randomSite(seed: number, pages = 60): Site {
    const [next, other] = [lehmer(seed), lehmer(seed + 1_000)];
    const site = new Site().known('/', 'manual');
    const paths = ['/', ...Array.from({ length: pages }, (_, n) => `/${SECTIONS[n % 3]}/page-${n}`)];
    paths.forEach((path, n) => {
        const links: SmallLink[] = Array.from({ length: next(5) }, () => ({
            to: paths[next(next(2) === 0 ? 12 : paths.length)]!,
            anchor: ['Saw', 'Plane', 'a saw for oak', ''][next(4)]!,
            rel: next(6) === 0 ? 'nofollow' : '',
        }));
        // What stands in heads, what is shown in frames, and what is no address.
        if (other(3) === 0) {
            const kind = HEAD_KINDS[other(HEAD_KINDS.length)]!;
            links.push({ to: paths[other(20)]!, kind, name: ['en', 'fr', 'english'][other(3)]! });
        }
        if (other(6) === 0) links.push({ to: '', kind: 'other', text: ['http://', 'tel:1'][other(2)]! });
        const kind = n === 0 ? 9 : next(10);
        if (kind === 0) site.page(path, [], { status: 404, words: null });
        else if (kind === 1) site.page(path, [], { status: 301, words: null, redirectTo: site.id(paths[next(20)]!) });
        else if (kind === 2) {
            site.page(path, links, { robotsAllowed: false, robotsRule: told('Disallow: /x'), noindex: next(2) === 0 });
        } else {
            site.page(path, links, {
                words: next(300),
                title: ['Mend a chair', 'Saws', `Page ${n}`, ''][next(4)]!,
                language: ['en', 'de', ''][next(3)]!,
                noindex: next(5) === 0,
                nofollow: next(8) === 0,
                canonicals: next(6) === 0 ? [site.id(paths[next(paths.length)]!)] : [],
                bytes: next(90_000),
                readAt: Date.UTC(2026, 2, 1 + next(30), 12),
            });
        }
        if (next(3) === 0) site.known(path);
        if (next(5) === 0) site.known(path, 'log', LISTS[n % 2]);
        if (n % 7 === 0) site.known(path, 'visits', LISTS[0]);
    });
    site.share(
        paths.filter((_, n) => n % 2 === 0),
        [0, 1, 4, 5].map((n) => ({ to: paths[n]!, anchor: 'Menu' })),
    );
    site.share(
        paths.filter((_, n) => n % 3 === 0),
        [
            { to: paths[2]!, anchor: 'Foot' },
            { to: '', kind: 'other', text: 'https://' },
        ],
        'footer',
    );
    site.known('/tools/never-read').page('/journal/too-late', [], {
        status: null,
        notRead: 'limit',
        robotsAllowed: null,
        words: null,
    });
    return site;
}
