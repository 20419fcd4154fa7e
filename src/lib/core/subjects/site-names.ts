/** The name of the site itself, as titles carry it: it says nothing of a single page. */
import { once } from '../kept.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';

/** What parts a title into the name of a page and that of its site or section. */
const PARTS = /\s+[|–—·•»«:/-]+\s+|\s*[|»«•·]\s*|:\s+/u;
/** Part of more titles than this share, it is the site's. */
const SHARE = 0.2;
const FEWEST = 3;

/** Parts of titles that more than a fifth of the titled pages carry, in small letters. O(titles). */
export function siteNames(survey: PackedSurvey): ReadonlySet<string> {
    return once(survey, 'site names', [], () => {
        const titles = survey.texts('title').all();
        const times = new Map<string, number>();
        let titled = 0;
        for (const title of titles) {
            if (title === '') continue;
            titled++;
            const parts = title.split(PARTS);
            if (parts.length < 2) continue;
            for (const part of new Set(parts.map(lower))) if (part !== '') times.set(part, (times.get(part) ?? 0) + 1);
        }
        const most = Math.max(FEWEST, titled * SHARE);
        return new Set([...times].filter(([, pages]) => pages > most).map(([part]) => part));
    });
}

const lower = (text: string): string => text.trim().toLowerCase();

/** The parts of a title that are not the site's; the whole where nothing else is left, or where it has one part only. */
export function ownParts(title: string, names: ReadonlySet<string>): string[] {
    const parts = title.split(PARTS).filter((part) => part.trim() !== '');
    const own = parts.filter((part) => !names.has(lower(part)));
    return own.length === 0 ? [title] : own;
}

/** The title of a page without what is the site's. */
export const ownTitle = (survey: PackedSurvey, node: number): string =>
    ownParts(survey.texts('title').at(node), siteNames(survey)).join(' · ');
