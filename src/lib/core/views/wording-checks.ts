/** What *Wording* shows of the checks of anchors: what each finds, template first, an example of each place, and advice. */
import { causesOf, type ToldCause } from '../checks/causes.ts';
import { isKnown, type CheckView, type FindingPlace } from '../checks/check.ts';
import { eachPlace } from '../checks/found-places.ts';
import { findingsAt, foundOf } from '../checks/found.ts';
import { ANCHOR_CHECKS } from '../checks/anchors.ts';
import { CHECKS } from '../checks/register.ts';
import { causeWords } from '../words/causes.ts';
import { findingSentence } from '../words/checks.ts';
import { checksView, type CheckRow } from './checks.ts';

/** Where a check finds something: one edit, with the first link of it. */
export interface WordingPlace {
    say: string;
    where: string;
    isTemplate: boolean;
    /** Pages, and the set of them. */
    pages: number;
    set: string | null;
    example: { url: string; say: string; place: FindingPlace | null } | null;
}

export interface WordingCheck extends CheckRow {
    mended: string;
    places: WordingPlace[];
    morePlaces: number;
}

const MOST_PLACES = 3;

/** Those that find something first, each part in the order of the register. Needs all parts. */
export function wordingChecks(view: CheckView): WordingCheck[] {
    const rows = new Map(
        checksView(view).families.flatMap(({ checks }) => checks.map((row) => [row.id, row] as const)),
    );
    const { open } = causesOf(view);
    const examples = examplesOf(view);
    const told = ANCHOR_CHECKS.map((check): WordingCheck => {
        const own = open.flatMap((cause) =>
            cause.follows.filter((follows) => follows.check === check.id).map((follows) => ({ cause, follows })),
        );
        // What one template holds is mended once, for all its pages.
        const isShared = ({ cause, follows }: (typeof own)[number]): number =>
            Number(isTemplate(cause) && follows.pages > 1);
        own.sort((a, b) => isShared(b) - isShared(a) || b.follows.pages - a.follows.pages);
        return {
            ...rows.get(check.id)!,
            mended: check.mended ?? '',
            places: own.slice(0, MOST_PLACES).map(({ cause, follows }) => ({
                ...causeWords(cause.cause, { urls: cause.urls, only: cause.only }),
                isTemplate: isTemplate(cause),
                pages: follows.pages,
                set: follows.set,
                example: examples.get(`${check.id} ${cause.key}`) ?? null,
            })),
            morePlaces: Math.max(0, own.length - MOST_PLACES),
        };
    });
    const finds = (check: WordingCheck): number => Number(check.pages > 0 && !check.isOff);
    return [...told.filter((check) => finds(check) === 1), ...told.filter((check) => finds(check) === 0)];
}

const isTemplate = ({ cause }: ToldCause): boolean => cause.kind === 'template' || cause.kind === 'link-in';

/** Of each check and cause the first link that was found. O(findings + their places) */
function examplesOf(view: CheckView): Map<string, WordingPlace['example']> {
    const { survey } = view;
    const found = foundOf(view);
    const findingAt = findingsAt(view, found);
    const ids = new Set<string>(ANCHOR_CHECKS.filter((check) => isKnown(check, survey)).map(({ id }) => id));
    const examples = new Map<string, WordingPlace['example']>();
    const keyOf = (row: number): string => `${CHECKS[found.check[row]!]!.id} ${found.causes[found.cause[row]!]!.key}`;
    const isMeant = (row: number): boolean => found.accepted[row] === 0 && ids.has(CHECKS[found.check[row]!]!.id);
    eachPlace(survey, found, isMeant, (row, node, place) => {
        const key = keyOf(row);
        if (examples.has(key)) return;
        const finding = findingAt(row);
        examples.set(key, { url: survey.url(node), say: findingSentence(finding), place: place ?? finding.place });
    });
    return examples;
}
