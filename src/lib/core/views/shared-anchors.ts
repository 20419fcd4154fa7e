/** What anchors of menus and shared blocks say, each told once for its template. */
import { linkGraphOf } from '../packed/link-graph.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';
import { REGIONS, type Region } from '../page/links.ts';
import type { GenericWords } from '../text/generic-words.ts';
import { emptyAnchors, listPlaces } from '../text/link-words.ts';

export interface SharedAnchor {
    /** Words of the link, or its name; empty for neither. */
    text: string;
    isName: boolean;
    says: 'nothing' | 'little' | 'something';
    targets: number;
    /** The one target where there is only one. */
    url: string;
    template: number;
    templateName: string;
    region: Region;
    pages: number;
}

/** Anchors of menus and shared blocks, each once for its template: those that say nothing first, then by pages. */
export function sharedAnchors(survey: PackedSurvey, generic: GenericWords): SharedAnchor[] {
    const {
        isPage,
        pageStart,
        pageBlocks,
        blockList,
        blockTemplate,
        blockRegion,
        blockPages,
        listStart,
        target,
        kind,
    } = linkGraphOf(survey);
    const [anchor, name] = [survey.numbers('link_anchor'), survey.numbers('link_name')];
    const [words, names] = [survey.texts('link_anchor_words'), survey.texts('link_name_words')];
    const { inText } = listPlaces(survey);
    const isNothing = emptyAnchors(survey, generic);
    const seen = new Set<number>();
    const found = new Map<string, SharedAnchor & { to: Set<number>; blocks: Set<number> }>();
    const { templates } = survey.measured;
    for (let node = 0; node < survey.count; node++) {
        if (isPage[node] !== 1) continue;
        for (let at = pageStart[node]!; at < pageStart[node + 1]!; at++) {
            const block = pageBlocks[at]!;
            const template = blockTemplate[block]!;
            if (template === -1 || inText[blockList[block]!] === 1 || seen.has(block)) continue;
            seen.add(block);
            const list = blockList[block]!;
            for (let link = listStart[list]!; link < listStart[list + 1]!; link++) {
                if (kind[link] !== 0 || target[link]! < 0 || target[link]! >= survey.count) continue;
                const plain = words.at(anchor[link]!);
                const called = plain === '' ? names.at(name[link]!) : '';
                const says =
                    plain === '' && called === ''
                        ? 'nothing'
                        : plain === '' || isNothing[anchor[link]!] === 1
                          ? 'little'
                          : 'something';
                if (says === 'something') continue;
                const key = `${template} ${plain} ${called}`;
                let row = found.get(key);
                if (!row) {
                    row = {
                        text: plain || called,
                        isName: plain === '' && called !== '',
                        says,
                        targets: 0,
                        url: survey.addressUrl(target[link]!),
                        template,
                        templateName: templates[template]?.name ?? '',
                        region: REGIONS[blockRegion[block]!]!,
                        pages: 0,
                        to: new Set(),
                        blocks: new Set(),
                    };
                    found.set(key, row);
                }
                row.to.add(target[link]!);
                if (!row.blocks.has(block)) {
                    row.blocks.add(block);
                    row.pages += blockPages[block]!;
                }
            }
        }
    }
    return [...found.values()]
        .map(({ to, blocks: _, ...row }) => ({ ...row, targets: to.size, url: to.size === 1 ? row.url : '' }))
        .sort(
            (a, b) =>
                Number(b.says === 'nothing') - Number(a.says === 'nothing') ||
                b.pages - a.pages ||
                (a.text < b.text ? -1 : 1),
        );
}
