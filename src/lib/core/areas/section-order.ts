/** The sections of a site in the order that gives each its mark for the site's life. */
import { once } from '../kept.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';

/** Sections by the pages they hold, largest first; names break ties. O(pages). */
function bySize(survey: PackedSurvey): string[] {
    return once(survey, 'sections by size', [], () => {
        const isPage = survey.numbers('page');
        const section = survey.numbers('section');
        const words = survey.texts('section_words').all();
        const pages = new Uint32Array(words.length);
        for (let node = 0; node < survey.count; node++) if (isPage[node] === 1) pages[section[node]!]!++;
        return [...words.keys()]
            .filter((code) => pages[code]! > 0)
            .sort((a, b) => pages[b]! - pages[a]! || (words[a]! < words[b]! ? -1 : 1))
            .map((code) => words[code]!);
    });
}

/** Those of the site's first survey in their order there, then what came since in its order now. Needs `core`. */
export function sectionOrder(first: PackedSurvey, now: PackedSurvey): string[] {
    return [...new Set([...bySize(first), ...bySize(now)])];
}
