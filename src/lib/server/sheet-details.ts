/** What the page sheet shows beside columns and links: read for one page when it is opened. */
import { linkMarks, type LinkMark } from './link-marks.ts';
import type { PageDate } from '../core/page/document-facts.ts';
import { evidenceRows, placesOf, type LinkPlace, type PageSheet, type ToldSheet } from '../core/areas/page-sheet.ts';
import type { PackedSurvey } from '../core/packed/packed-survey.ts';
import type { SheetDetails } from '../core/survey/page-details.ts';
import { appStore } from './app.ts';
import { loadMain, loadPageDetails } from './store/rows-store.ts';
import type { Survey } from './store/survey-store.ts';

const MOST_SAME = 20;

export async function sheetDetails(survey: Survey, packed: PackedSurvey, node: number): Promise<SheetDetails | null> {
    const { db } = appStore();
    const address = packed.numbers('address')[node]!;
    const [details, main] = await Promise.all([
        loadPageDetails(db, survey.id, address),
        loadMain(db, survey.id, address, MOST_SAME),
    ]);
    if (!details) return null;
    const { facts } = details;
    const dates: PageDate[] = [...(facts.document?.dates ?? [])];
    for (const [name, value] of facts.headers) {
        if (name === 'last-modified') dates.push({ from: 'header', what: 'Last-Modified', value });
    }
    for (const { lastmod } of evidenceRows(packed, node)) {
        if (lastmod !== '') dates.push({ from: 'sitemap', what: 'lastmod', value: lastmod });
    }
    const addresses = packed.numbers('address');
    return {
        document: facts.document,
        dates,
        charset: facts.charset,
        charsetFrom: facts.charsetFrom,
        sentType: facts.sentType,
        headers: facts.headers,
        cookieNames: facts.cookieNames,
        mainWords: main?.words ?? null,
        sameText: (main?.same ?? []).flatMap((other) => {
            const found = addresses.indexOf(other);
            return found === -1 ? [] : [packed.url(found)];
        }),
        hasSource: details.hasSource,
        keepsSource: survey.settings.keepSource,
    };
}

/** Tells the lines of a sheet's links, from the layouts of the blocks they stand in. */
export async function tellLines(survey: Survey, packed: PackedSurvey, sheet: PageSheet): Promise<ToldSheet> {
    const places = placesOf(sheet);
    const marks = await markupOf(
        survey,
        packed,
        places.map(({ place }) => place),
    );
    places.forEach((item, index) => (item.line = marks[index]!.line));
    return {
        ...sheet,
        way: sheet.way.map(({ place: _, ...step }) => step),
        incoming: sheet.incoming.map(({ place: _, ...link }) => link),
        outgoing: sheet.outgoing.map(({ place: _, ...link }) => link),
    };
}

/** Line, column and href of links on their pages; null where a link stands in no markup. */
export async function markupOf(
    survey: Survey,
    packed: PackedSurvey,
    places: readonly LinkPlace[],
): Promise<LinkMark[]> {
    return linkMarks(appStore().db, survey.id, packed, places);
}
