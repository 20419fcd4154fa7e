/** Does it hang together as it was meant? Parts of the site that are lost, left over, closed or elsewhere than intended. */
import { lostFolders } from '../areas/completeness.ts';
import { againstIntended } from '../compare/intended.ts';
import { UNREACHED } from '../graph/depth.ts';
import { linkGraphOf } from '../packed/link-graph.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';
import { defineCheck, thresholdOf, type Check, type CheckView, type Threshold } from './check.ts';
import { orphanRoot } from './roots.ts';

const MANY_APART: Threshold = { value: 10, min: 1, max: 100_000, unit: 'pages' };
/** Share of pages from which on a block belongs to the design. */
const NEARLY_ALL = 0.9;
/** Pages made for paper have no menus on purpose. */
const FOR_PAPER = /(?:^|[/?&=._-])print(?:able|er|view|version)?(?:[/?&=._-]|$)/i;

/** Folders that links never touch, by node: the folder, and how many URLs of it are known. */
function lostNodes(survey: PackedSurvey): (node: number) => { folder: string; urls: number } | null {
    const lost = lostFolders(survey).map(({ origin, folder, urls }) => ({ url: origin + folder, folder, urls }));
    const [page, depth] = [survey.numbers('page'), survey.numbers('depth')];
    return (node) => {
        if (lost.length === 0 || page[node] !== 1 || depth[node] !== UNREACHED) return null;
        const url = survey.url(node);
        const own = lost.find((folder) => url.startsWith(folder.url));
        return own ? { folder: own.folder, urls: own.urls } : null;
    };
}

/** Tells each template of a page, once. O(blocks of the page) */
function eachTemplate(survey: PackedSurvey): (node: number, tell: (template: number) => void) => void {
    const { pageStart, pageBlocks, blockTemplate } = linkGraphOf(survey);
    /** The last page that each template was told of. */
    const last = new Int32Array(survey.measured.templates.length).fill(-1);
    return (node, tell) => {
        for (let at = pageStart[node]!; at < pageStart[node + 1]!; at++) {
            const template = blockTemplate[pageBlocks[at]!]!;
            if (template === -1 || last[template] === node) continue;
            last[template] = node;
            tell(template);
        }
        // Whoever asks again is told again.
        for (let at = pageStart[node]!; at < pageStart[node + 1]!; at++) {
            const template = blockTemplate[pageBlocks[at]!]!;
            if (template !== -1) last[template] = -1;
        }
    };
}

/** 1 for the templates that nine tenths of some pages carry; null where they are too few to have a design, or have none. */
function designOf(carried: Uint32Array, pages: number, least: number): Uint8Array | null {
    if (pages <= least) return null;
    const design = Uint8Array.from(carried, (count) => (count >= NEARLY_ALL * pages ? 1 : 0));
    return design.includes(1) ? design : null;
}

/** Pages without any block of the design, where they are many enough; a language may have a design of its own. O(page blocks) */
function apart(view: CheckView): ReadonlySet<number> {
    const { survey } = view;
    const [isPage, language] = [survey.numbers('page'), survey.numbers('language')];
    const least = thresholdOf(view, 'design-apart', MANY_APART);
    const each = eachTemplate(survey);
    const count = survey.measured.templates.length;
    const ofAll = { pages: 0, carried: new Uint32Array(count) };
    const ofLanguage = new Map<number, typeof ofAll>();
    for (let node = 0; node < survey.count; node++) {
        if (isPage[node] !== 1) continue;
        const own = ofLanguage.get(language[node]!) ?? { pages: 0, carried: new Uint32Array(count) };
        ofLanguage.set(language[node]!, own);
        ofAll.pages++;
        own.pages++;
        each(node, (template) => {
            ofAll.carried[template]!++;
            own.carried[template]!++;
        });
    }
    const design = designOf(ofAll.carried, ofAll.pages, least);
    const designs = new Map([...ofLanguage].map(([code, own]) => [code, designOf(own.carried, own.pages, least)]));
    const found: number[] = [];
    for (let node = 0; node < survey.count; node++) {
        const own = designs.get(language[node]!) ?? null;
        // A site of several languages may have no block in common, and each of them a design.
        if (isPage[node] !== 1 || (design === null && own === null)) continue;
        let isApart = true;
        each(node, (template) => {
            if (design?.[template] === 1 || own?.[template] === 1) isApart = false;
        });
        if (isApart && !FOR_PAPER.test(survey.url(node))) found.push(node);
    }
    return new Set(found.length >= least ? found : []);
}

export const STRUCTURE_CHECKS: readonly Check[] = [
    defineCheck({
        id: 'lost-section',
        severity: 'fault',
        looks: 'page',
        name: 'Section that links never touch',
        fires: 'A page of a folder that is known by sitemaps or lists, and of which no path of links reaches any page.',
        quiet: 'A single URL. Folders of which links reach one page. A partial survey.',
        why: 'A whole part of the site is there for nobody: most often its link was lost when a menu was changed.',
        advice: 'Link to the page the section begins with.',
        example: 'the sitemap lists 40 pages of /courses/, and no link leads into it',
        needsWhole: true,
        ofPage: ({ survey }) => {
            const lost = lostNodes(survey);
            return (node) => {
                const params = lost(node);
                return params && { params };
            };
        },
        cause: orphanRoot,
    }),
    defineCheck({
        id: 'design-apart',
        severity: 'risk',
        looks: 'page',
        name: 'Without the frame of the site',
        fires: `One of ${MANY_APART.value} pages or more that have none of the blocks that nine tenths of the pages have.`,
        quiet: 'Pages in a language that has blocks of its own; versions for print.',
        why: 'An old or foreign design was left standing: who lands there does not find the rest of the site.',
        advice: 'Take the pages over into the design of the site, or redirect them.',
        example: '/archive/2009/ has none of the menus of all other pages',
        threshold: MANY_APART,
        ofPage: (view) => {
            const found = apart(view);
            return (node) => (found.has(node) ? { params: { pages: found.size } } : null);
        },
    }),
    defineCheck({
        id: 'trap-family',
        severity: 'risk',
        looks: 'page',
        name: 'Family without an end',
        fires: 'The first page of a family of URLs that bred without an end, and was closed while the site was read.',
        quiet: 'Families that were opened or closed by hand.',
        why: 'Robots that do not close it spend their visits there.',
        advice: 'Close the family in robots.txt, or let its links say nofollow and give it an end.',
        example: '/tools/?{query}: 214 combinations of filters were read, and each led to more',
        ofPage: ({ survey, beside }) => {
            const byNode = new Map(
                beside.families
                    .filter(({ byHand }) => !byHand)
                    .map((family) => [survey.nodeOf(family.example), family] as const),
            );
            return (node) => {
                const family = byNode.get(node);
                return family ? { params: { pattern: family.pattern, read: family.read } } : null;
            };
        },
    }),
    defineCheck({
        id: 'intended-parts',
        severity: 'risk',
        looks: 'page',
        name: 'Elsewhere than intended',
        fires: 'A page of the intended structure that is not reached, is not linked from the page above it, or lies deeper.',
        quiet: 'Pages that are as intended; entries for which no page, or several, were found.',
        why: 'What was built is not what was drawn.',
        advice: 'Link it where the structure has it, or change the structure.',
        example: 'intended: Guides › Saws; /guides/ does not link to /guides/saws/',
        ofPage: ({ survey, beside }) => {
            if (beside.intended.length === 0) return () => null;
            const partings = new Map(
                againstIntended(survey, beside.intended).flatMap(({ node, parting }) =>
                    node === null || parting === 'as intended' || parting === 'missing' || parting === 'several'
                        ? []
                        : [[node, parting] as const],
                ),
            );
            return (node) => {
                const as = partings.get(node);
                return as ? { params: { as } } : null;
            };
        },
    }),
];
