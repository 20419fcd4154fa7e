/** What was read of a file, as a list: ready to be given to a survey. */
import { belongingOf } from '../../core/scope/belonging.ts';
import type { ListKind } from '../../core/evidence/evidence-lists.ts';
import type { SurveySettings } from '../../core/survey/settings.ts';
import { pinsOf } from '../crawl/pins.ts';
import type { NewList } from '../store/evidence-store.ts';
import type { ListContext, ReadList } from './read-list.ts';

/** How the URLs of a list are read for a site. */
export function listContext(settings: SurveySettings): ListContext & { isInternal: (url: string) => boolean } {
    const belonging = belongingOf(settings.start, pinsOf(settings.pins), settings);
    return {
        start: settings.start,
        rules: settings,
        belongs: (url) => belonging.belongs(url),
        isInternal: (url) => belonging.isInternal(url),
    };
}

export function makeList(kind: ListKind, name: string, read: ReadList): NewList {
    const { columns, lines, bad, notes, rows, badLines, robots } = read;
    return {
        kind,
        name,
        outcome: { columns, lines, rows: rows.length, bad, notes, bare: null },
        badLines,
        rows,
        robots,
    };
}

/** A count without a list: what somebody read off elsewhere, and when. */
export function bareCount(kind: ListKind, name: string, count: number, day: string): NewList {
    return {
        kind,
        name,
        outcome: { columns: [], lines: 0, rows: 0, bad: 0, notes: [], bare: { count, day } },
        badLines: [],
        rows: [],
        robots: null,
    };
}
