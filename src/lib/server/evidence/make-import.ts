/** What was read of a list, as an import: ready to be given to a survey. */
import { belongingOf } from '../../core/scope/belonging.ts';
import type { ImportKind } from '../../core/evidence/imports.ts';
import type { SurveySettings } from '../../core/survey/settings.ts';
import { pinsOf } from '../crawl/pins.ts';
import type { NewImport } from '../store/evidence-store.ts';
import type { ImportContext, ReadImport } from './read-import.ts';

/** How the URLs of a list are read for a site. */
export function importContext(settings: SurveySettings): ImportContext & { isInternal: (url: string) => boolean } {
    const belonging = belongingOf(settings.start, pinsOf(settings.pins), settings);
    return {
        start: settings.start,
        rules: settings,
        belongs: (url) => belonging.belongs(url),
        isInternal: (url) => belonging.isInternal(url),
    };
}

export function makeImport(kind: ImportKind, name: string, read: ReadImport): NewImport {
    const { columns, lines, bad, notes, rows, badLines } = read;
    return {
        kind,
        name,
        outcome: { columns, lines, rows: rows.length, bad, notes, bare: null },
        badLines,
        rows,
    };
}

/** A count without a list: what somebody read off elsewhere, and when. */
export function bareCount(kind: ImportKind, name: string, count: number, day: string): NewImport {
    return {
        kind,
        name,
        outcome: { columns: [], lines: 0, rows: 0, bad: 0, notes: [], bare: { count, day } },
        badLines: [],
        rows: [],
    };
}
