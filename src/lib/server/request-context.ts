/**
 * What a request is about, resolved once: who asks, and the site, the survey, its revision and the set that the address
 * names. Routes take it from `locals`; whoever may do what is decided in `access/authorize.ts`.
 */
import type { Part } from '../core/columns/column.ts';
import type { PackedSurvey } from '../core/packed/packed-survey.ts';
import { OWNER, type Actor } from './access/authorize.ts';
import { findRoute, findSite, openPacked } from './app.ts';
import { evaluateLine, type CurrentSet } from './current-set.ts';
import type { Site } from './store/site-store.ts';
import type { Survey } from './store/survey-store.ts';

export interface RequestContext {
    actor: Actor;
    /** The site of the address. @throws what `missing` makes of it where there is none */
    readonly site: Site;
    /** The survey of the address, as it was at the revision it names. @throws likewise */
    readonly survey: Survey;
    /** That survey packed, with `core`, `measures` and the parts that are asked for; with `text` where none is. */
    packed(parts?: readonly Part[]): Promise<PackedSurvey>;
    /** The set of the address, or of another line, evaluated; `text` is there, and the parts that are asked for. */
    set(parts?: readonly Part[], line?: string): Promise<CurrentSet>;
}

/** What an address names, or why that cannot be told. */
export interface Named {
    site: Site | null;
    survey: Survey | null;
    /** Thrown to whoever wants the survey: a revision that is lost. */
    trouble: unknown;
}

/** Looks up what the parameters of an address name. */
export async function named(params: { site?: string; survey?: string }): Promise<Named> {
    const { site, survey } = params;
    if (site === undefined) return { site: null, survey: null, trouble: null };
    if (survey === undefined) return { site: await findSite(site), survey: null, trouble: null };
    try {
        const found = await findRoute({ site, survey });
        return { site: found?.site ?? (await findSite(site)), survey: found?.survey ?? null, trouble: null };
    } catch (trouble) {
        return { site: await findSite(site), survey: null, trouble };
    }
}

/** @param missing throws the answer for something that is not there, a sentence */
export function contextOf({ site, survey, trouble }: Named, url: URL, missing: (say: string) => never): RequestContext {
    const context: RequestContext = {
        actor: OWNER,
        get site() {
            return site ?? missing('There is no such site.');
        },
        get survey() {
            if (trouble !== null) throw trouble;
            return survey ?? missing('There is no such survey.');
        },
        packed: (parts) => openPacked(context.survey, parts),
        set: (parts, line = url.searchParams.get('set') ?? '') => evaluateLine(context.survey, line, parts),
    };
    return context;
}
