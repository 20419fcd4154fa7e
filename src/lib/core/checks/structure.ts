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

/**
 * Templates that nine tenths of some pages carry; null where they are too few to have a design.
 * @param pages whose links count
 */
function designOf(survey: PackedSurvey, pages: readonly number[], least: number): Set<number> | null {
    if (pages.length <= least) return null;
    const carried = new Map<number, number>();
    for (const node of pages) {
        for (const template of templatesOn(survey, node)) carried.set(template, (carried.get(template) ?? 0) + 1);
    }
    const design = new Set<number>();
    for (const [template, count] of carried) if (count >= NEARLY_ALL * pages.length) design.add(template);
    return design.size === 0 ? null : design;
}

function templatesOn(survey: PackedSurvey, node: number): Set<number> {
    const { pageStart, pageBlocks, blockTemplate } = linkGraphOf(survey);
    const own = new Set<number>();
    for (let at = pageStart[node]!; at < pageStart[node + 1]!; at++) {
        const template = blockTemplate[pageBlocks[at]!]!;
        if (template !== -1) own.add(template);
    }
    return own;
}

/** Pages without any block of the design, where they are many enough; a language may have a design of its own. */
function apart(view: CheckView): ReadonlySet<number> {
    const { survey } = view;
    const [isPage, language] = [survey.numbers('page'), survey.numbers('language')];
    const least = thresholdOf(view, 'design-apart', MANY_APART);
    const all: number[] = [];
    const byLanguage = new Map<number, number[]>();
    for (let node = 0; node < survey.count; node++) {
        if (isPage[node] !== 1) continue;
        all.push(node);
        const own = byLanguage.get(language[node]!);
        if (own) own.push(node);
        else byLanguage.set(language[node]!, [node]);
    }
    const design = designOf(survey, all, least);
    const designs = new Map([...byLanguage].map(([code, own]) => [code, designOf(survey, own, least)]));
    const isApart = (node: number): boolean => {
        const ofLanguage = designs.get(language[node]!) ?? null;
        // A site of several languages may have no block in common, and each of them a design.
        if (design === null && ofLanguage === null) return false;
        for (const template of templatesOn(survey, node)) {
            if (design?.has(template) || ofLanguage?.has(template)) return false;
        }
        return !FOR_PAPER.test(survey.url(node));
    };
    const found = all.filter(isApart);
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
