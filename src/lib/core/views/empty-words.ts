/** What *Wording* shows of the words that say nothing: the lists of the site's languages, and what they catch. */
import { meantPage } from '../areas/meant-page.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';
import { calledBy } from '../text/called.ts';
import { listedForms, WordingCounts, type Caught } from '../text/generic-catch.ts';
import { GENERIC_LANGUAGES, genericForm, type GenericOrigin, type GenericWords } from '../text/generic-words.ts';

export interface ListedWording extends Caught {
    text: string;
    from: GenericOrigin;
}

export interface EmptyWordsView {
    /** A list each: of the languages of pages by their number, and of others that something was said of. */
    lists: {
        /** First subtag; empty for the list that counts in any language. */
        language: string;
        pages: number;
        /** Those that catch most first. */
        wordings: ListedWording[];
    }[];
    /** All languages with a list, to add to. */
    languages: string[];
    /** Short anchors that call many pages and stand on no list. */
    offered: { text: string; language: string; links: number; targets: number }[];
}

/** Of a wording that is offered: so many words at most, and pages it calls. */
const MOST_OFFERED_WORDS = 3;
const FEWEST_CALLED = 4;
const MOST_OFFERED = 8;

/** O(page blocks + links). Needs `text` and `links`. */
export function emptyWordsView(survey: PackedSurvey, generic: GenericWords): EmptyWordsView {
    const pages = pagesByLanguage(survey);
    const offered = manyCalled(survey, generic, pages);
    const forms = listedForms(generic);
    const counts = new WordingCounts(survey, (form) => forms.has(form));
    const said = new Set(generic.said.map(({ language }) => language));
    const shown = [...new Set([...[...pages.keys()].filter(isListed), ...said])];
    // Pages that say no language of ours are judged by all lists: English stands for them.
    if (shown.length === 0) shown.push('en');
    return {
        lists: shown
            .map((language) => ({
                language,
                pages: pages.get(language) ?? 0,
                wordings: generic
                    .list(language)
                    .map((one) => ({ ...one, ...counts.of(one.text, language) }))
                    .sort((a, b) => b.links - a.links || (a.text < b.text ? -1 : 1)),
            }))
            .sort((a, b) => b.pages - a.pages || (a.language < b.language ? -1 : 1)),
        languages: [...GENERIC_LANGUAGES],
        offered,
    };
}

const isListed = (language: string): boolean => GENERIC_LANGUAGES.includes(language);

function pagesByLanguage(survey: PackedSurvey): Map<string, number> {
    const isPage = survey.numbers('page');
    const codes = survey.numbers('language');
    const subtags = survey
        .texts('language_words')
        .all()
        .map((word) => word.trim().toLowerCase().split(/[-_]/, 1)[0]!);
    const pages = new Map<string, number>();
    for (let node = 0; node < survey.count; node++) {
        if (isPage[node] !== 1) continue;
        const own = subtags[codes[node]!]!;
        pages.set(own, (pages.get(own) ?? 0) + 1);
    }
    return pages;
}

/** Anchors of running text that call many pages, are short, and stand on no list. O(links of running text) */
function manyCalled(
    survey: PackedSurvey,
    generic: GenericWords,
    pages: ReadonlyMap<string, number>,
): EmptyWordsView['offered'] {
    const { start, links, pages: times } = calledBy(survey);
    const anchor = survey.numbers('link_anchor');
    const texts = survey.texts('link_anchor_words').all();
    const forms = texts.map((text) => {
        const form = genericForm(text);
        const isShort = form !== '' && /\p{L}/u.test(form) && form.split(/\s+/).length <= MOST_OFFERED_WORDS;
        return isShort && generic.in(form).length === 0 ? form : '';
    });
    const meant = meantPage(survey);
    const found = new Map<string, { links: number; targets: Set<number>; language: string }>();
    for (let node = 0; node < survey.count; node++) {
        const to = meant(node);
        for (let at = start[node]!; at < start[node + 1]!; at++) {
            const form = forms[anchor[links[at]!]!]!;
            if (form === '') continue;
            const known = found.get(form) ?? {
                links: 0,
                targets: new Set<number>(),
                language: languageTo(survey, node),
            };
            known.links += times[at]!;
            known.targets.add(to);
            found.set(form, known);
        }
    }
    return [...found]
        .filter(([, { targets }]) => targets.size >= FEWEST_CALLED)
        .sort(([a, x], [b, y]) => y.targets.size - x.targets.size || y.links - x.links || (a < b ? -1 : 1))
        .slice(0, MOST_OFFERED)
        .map(([text, { links: all, targets, language }]) => ({
            text,
            language: pages.has(language) && isListed(language) ? language : '',
            links: all,
            targets: targets.size,
        }));
}

const languageTo = (survey: PackedSurvey, node: number): string =>
    survey.word('language', node).trim().toLowerCase().split(/[-_]/, 1)[0]!;
