import { storedWords } from '$lib/core/words/problems.ts';
import { pageCausesOf } from '$lib/core/checks/causes.ts';
import { pageFindings } from '$lib/core/checks/page-findings.ts';
import { CHECKS } from '$lib/core/checks/register.ts';
import { causeWords } from '$lib/core/words/causes.ts';
import { pageLinksOf } from '$lib/core/areas/page-links.ts';
import { findingSentence } from '$lib/core/words/checks.ts';
import { urlOfKey } from '$lib/core/address/page-key.ts';
import { pageSheet } from '$lib/core/areas/page-sheet.ts';
import { appStore, isEarlier, isEnded, notesOf, surveysOf } from '$lib/server/app.ts';
import { baselineOf } from '$lib/server/baseline.ts';
import { evaluateLine, placeInSet, type CurrentSet } from '$lib/server/current-set.ts';
import { checkViewOf } from '$lib/server/findings.ts';
import { givenOf } from '$lib/server/evidence-actions.ts';
import { subjectOf } from '$lib/server/proposals/subject-of.ts';
import { markupOf, sheetDetails, tellLines } from '$lib/server/sheet-details.ts';
import { acceptancesIn } from '$lib/server/site-checks.ts';
import { listNotes } from '$lib/server/store/note-store.ts';
import { listSites, type Site } from '$lib/server/store/site-store.ts';
import type { Survey } from '$lib/server/store/survey-store.ts';
import { lookedAt } from '$lib/server/views/looked-at.ts';

/** Notes that the box that finds looks through, the newest. */
const MOST_NOTES = 500;

function railSurvey(survey: Survey) {
    return {
        number: survey.number,
        state: survey.state,
        isPartial: survey.cut.length > 0,
        createdAt: survey.createdAt,
        asOf: survey.asOf,
        isSpot: survey.settings.spot !== null,
    };
}

/** What every area shows: pickers, current set, and the page sheet when one is open. */
export const load = lookedAt(async ({ url, locals }) => {
    const { site, survey } = locals;
    const { db } = appStore();
    const [sites, surveys, notes, baseline] = await Promise.all([
        listSites(db),
        surveysOf(db, site.id),
        notesOf(site.id),
        survey.settings.spot === null ? baselineOf(db, survey) : null,
    ]);
    const [asked, pinned] = [urlIn(url, 'page', site.start), urlIn(url, 'pin', site.start)];
    const wantsSheet = asked !== null || pinned !== null;
    const current = await evaluateLine(survey, url.searchParams.get('set') ?? '', wantsSheet ? ['links'] : []);
    const { survey: packed } = current;
    const [open, beside] = await Promise.all([
        openSheet(site, survey, current, asked),
        pinned === asked ? null : openSheet(site, survey, current, pinned),
    ]);
    return {
        site: { id: site.id, name: site.name, start: site.start },
        sites: sites.map(({ id, name }) => ({ id, name })),
        survey: {
            ...railSurvey(survey),
            trouble: storedWords(survey.trouble),
            cut: survey.cut,
            settings: survey.settings,
            startedAt: survey.startedAt,
            endedAt: survey.endedAt,
            path: isEarlier(survey) ? `${survey.number}.${survey.revision}` : `${survey.number}`,
            revision: survey.revision,
            latest: survey.latest,
            isEnded: isEnded(survey),
        },
        surveys: surveys.map(railSurvey),
        baseline: baseline?.number ?? null,
        origin: new URL(site.start).origin,
        set: { text: current.text, size: current.bits.count(), trouble: current.trouble },
        notes: notes.slice(-MOST_NOTES).map(({ id, about, subject, text }) => ({ id, about, subject, text })),
        saved: current.saved.map(({ name, expression }) => ({ name, expression })),
        givenColumns: packed.head.given,
        known: packed.count,
        open,
        beside,
        /** A page that was asked for and that this survey does not know: its URL. */
        unknown: asked !== null && open === null ? asked : null,
        place: open ? placeInSet(current, url.searchParams, packed.nodeOf(open.sheet.url)) : null,
    };
});

/** URL of the page that a parameter names; null for none. */
function urlIn(url: URL, name: string, start: string): string | null {
    const key = url.searchParams.get(name) ?? '';
    return key === '' ? null : urlOfKey(key, start);
}

/** Everything about one page; null where the survey knows no such page. */
async function openSheet(site: Site, survey: Survey, current: CurrentSet, page: string | null) {
    const { survey: packed } = current;
    const node = page === null ? -1 : packed.nodeOf(page);
    if (node === -1) return null;
    const sheet = pageSheet(packed, node, current);
    const view = await checkViewOf({ site, survey }, 'pages only');
    const { findings: found, moreLinks } = pageFindings(view, node);
    const places = found.flatMap(({ finding: { place } }) => (place ? [place] : []));
    const edits = new Map(pageCausesOf(view).open.map((item) => [item.key, causeWords(item.cause, item).say]));
    const [details, given, notes, marks, told, acceptances, subject] = await Promise.all([
        sheetDetails(survey, packed, node),
        givenOf(survey, packed.url(node)),
        listNotes(appStore().db, site.id, { about: 'page', subject: packed.url(node) }),
        markupOf(survey, packed, places),
        tellLines(survey, packed, sheet),
        acceptancesIn(appStore().db, site.id),
        subjectOf(survey, packed, node),
    ]);
    let next = 0;
    return {
        sheet: told,
        details,
        subject,
        given,
        links: pageLinksOf(packed, node),
        findings: found.map(({ finding, subject, cause, isAccepted }) => ({
            subject,
            cause,
            edit: edits.get(cause) ?? '',
            advice: CHECKS.find(({ id }) => id === finding.check)!.advice,
            accepted: isAccepted
                ? (acceptances.find((item) =>
                      item.check === ''
                          ? item.subject === cause
                          : item.check === finding.check && item.subject === subject,
                  ) ?? null)
                : null,
            check: finding.check,
            severity: finding.severity,
            say: findingSentence(finding),
            line: finding.place ? marks[next++]!.line : (finding.line ?? null),
        })),
        moreLinks,
        notes: notes.map(({ id, text, createdAt }) => ({ id, text, createdAt })),
    };
}
