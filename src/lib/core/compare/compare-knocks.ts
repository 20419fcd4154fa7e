/** Two knocks at one door side by side: what changed between them. */
import type { DoorFacts, DoorReport } from '../door/door-report.ts';
import { boltWords, whereWords } from '../words/door.ts';
import { storedWords } from '../words/problems.ts';
import { toldStep } from '../words/sitemap-steps.ts';

export interface KnockChange {
    what: string;
    before: string;
    now: string;
}

const STATE_WORDS = { open: 'open', half: 'half open', shut: 'shut' } as const;

/** What differs, in the order of the report; empty when nothing does. */
export function compareKnocks(before: DoorReport, now: DoorReport): KnockChange[] {
    const changes: KnockChange[] = [];
    const compare = (what: string, a: string, b: string): void => {
        if (a !== b) changes.push({ what, before: a, now: b });
    };
    const bolts = ({ facts, verdict }: DoorReport): string =>
        verdict.bolts.map((bolt) => boltWords(bolt, facts).by).join(', ') || 'nothing';
    compare('the door', STATE_WORDS[before.verdict.state], STATE_WORDS[now.verdict.state]);
    compare('what shuts', bolts(before), bolts(now));
    for (const variant of now.facts.variants) {
        const earlier = before.facts.variants.find((item) => item.origin === variant.origin);
        if (!earlier) continue;
        compare(`${variant.origin} lands at`, earlier.lands || 'nowhere', variant.lands || 'nowhere');
        compare(`certificate of ${variant.origin}`, certificateWords(earlier), certificateWords(variant));
    }
    const facts = (name: string, of: (facts: DoorFacts) => string): void =>
        compare(name, of(before.facts), of(now.facts));
    facts('robots.txt answers', ({ robots }) => String(robots.status ?? 'nothing'));
    facts('robots.txt closes', ({ robots }) => robots.closes);
    facts('rule for the start page', ({ robots }) =>
        robots.rule === '' ? 'none' : `${robots.rule} (line ${robots.line})`,
    );
    facts('start page answers', ({ start }) =>
        start.isLeft ? 'not asked' : String(start.status ?? storedWords(start.failure)),
    );
    facts('start page lands at', ({ start }) => start.hops.at(-1)?.url ?? 'nowhere');
    facts('noindex', ({ start }) => (start.noindex ? whereWords(start.noindex.where) : 'none'));
    facts('canonical elsewhere', ({ start }) => start.canonical?.say ?? 'none');
    facts('title', ({ start }) => start.title);
    facts('words', ({ start }) => String(start.words ?? 'not known'));
    facts('links into the site', ({ start }) => String(start.links ?? 'not known'));
    facts('addresses in sitemaps', ({ expected }) => String(expected ?? 'none could be read'));
    for (const sitemap of now.facts.sitemaps) {
        const earlier = before.facts.sitemaps.find((item) => item.url === sitemap.url);
        compare(`sitemap ${sitemap.url}`, earlier ? sitemapWords(earlier) : 'not found', sitemapWords(sitemap));
    }
    for (const sitemap of before.facts.sitemaps) {
        if (!now.facts.sitemaps.some((item) => item.url === sitemap.url)) {
            compare(`sitemap ${sitemap.url}`, sitemapWords(sitemap), 'not found');
        }
    }
    facts('differences for the other agent', ({ differences }) => String(differences.length));
    return changes;
}

function certificateWords({ certificate }: DoorFacts['variants'][number]): string {
    return certificate === null ? 'none' : certificate.isTrusted ? 'in order' : storedWords(certificate.trouble);
}

function sitemapWords(sitemap: DoorFacts['sitemaps'][number]): string {
    const failing = sitemap.steps.find((step) => step.ok === false);
    if (failing) return toldStep(failing).seen;
    const odd = sitemap.steps.filter((step) => step.ok === null).length;
    return `${sitemap.entries ?? 0} entries${odd === 0 ? '' : `, ${odd} odd`}`;
}
