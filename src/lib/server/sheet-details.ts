/** What the page sheet shows beside columns and links: read for one page when it is opened. */
import type { PageDate } from '../core/page/document-facts.ts';
import type { MeasuredSurvey } from '../core/survey/measured-survey.ts';
import type { SheetDetails } from '../core/survey/page-details.ts';
import { appStore } from './app.ts';
import { loadMain, loadPageDetails } from './store/rows-store.ts';
import type { Survey } from './store/survey-store.ts';

const MOST_SAME = 20;

export async function sheetDetails(
    survey: Survey,
    measured: MeasuredSurvey,
    node: number,
): Promise<SheetDetails | null> {
    const { db } = appStore();
    const address = measured.addressOf[node]!;
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
    for (const item of measured.rows.evidence) {
        if (item.address === address && item.lastmod !== '') {
            dates.push({ from: 'sitemap', what: 'lastmod', value: item.lastmod });
        }
    }
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
            const found = measured.nodeOf[other] ?? -1;
            return found === -1 ? [] : [{ node: found, url: measured.urls[found]! }];
        }),
        hasSource: details.hasSource,
        keepsSource: survey.settings.keepSource,
    };
}
