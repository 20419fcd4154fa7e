/** The Brief, for a request. */
import { briefView } from '../../core/views/brief.ts';
import { smallDepthMap } from '../../core/views/small-map.ts';
import { quoted } from '../../core/sets/tokens.ts';
import type { PackedSurvey } from '../../core/packed/packed-survey.ts';
import { appStore, isEnded, notesOf, openPacked } from '../app.ts';
import { openArea, sectionsOf } from '../areas.ts';
import { baselineOf } from '../baseline.ts';
import { checkViewOf } from '../findings.ts';
import type { RequestContext } from '../request-context.ts';
import type { Note } from '../store/note-store.ts';

export async function showBrief(request: RequestContext) {
    const { site, survey } = request;
    const { db } = appStore();
    const [{ current, packed, within }, checks] = await Promise.all([
        openArea(request, ['links']),
        checkViewOf(request),
    ]);
    const isWhole = isEnded(survey) && survey.settings.spot === null;
    const baseline = isWhole ? await baselineOf(db, survey) : null;
    const view = briefView({
        checks,
        priority: current.priority,
        within,
        isEnded: isEnded(survey),
        baseline: baseline && {
            survey: await openPacked(baseline, ['core', 'text']),
            id: baseline.id,
            revision: baseline.revision,
        },
    });
    return {
        view,
        // While a survey runs it would be made anew all the time.
        small: isEnded(survey) ? { map: smallDepthMap(packed), sections: await sectionsOf(survey, packed) } : null,
        notes: (await notesOf(site.id)).map((note) => shownNote(note, packed)),
        baseline: baseline && {
            number: baseline.number,
            createdAt: baseline.createdAt,
            asOf: baseline.asOf,
            /** Settings that differ, by name: what changed may be the question, not the site. */
            settings: differing(baseline.settings, survey.settings),
        },
    };
}

function shownNote({ id, about, subject, text, createdAt }: Note, packed: PackedSurvey) {
    const isKnown = about === 'page' && packed.nodeOf(subject) !== -1;
    const set = about === 'section' ? `section is ${quoted(subject)}` : about === 'set' ? subject : '';
    return { id, about, subject, text, createdAt, isKnown, set };
}

function differing(before: object, after: object): string[] {
    const names = new Set([...Object.keys(before), ...Object.keys(after)]);
    const text = (of: object, name: string): string => JSON.stringify(of[name as keyof typeof of]) ?? '';
    return [...names].filter((name) => name !== 'spot' && name !== 'pins' && text(before, name) !== text(after, name));
}
