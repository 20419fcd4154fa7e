/** One page as a record, from the measured rows: what the packed survey is held against. */
import { folderDepth, sectionOf } from '$lib/core/address/section.ts';
import { evidenceNames } from '$lib/core/evidence/evidence.ts';
import { UNREACHED } from '$lib/core/graph/depth.ts';
import { ORPHAN } from '$lib/core/measures/orphans.ts';
import type { MeasuredSurvey } from './measured-survey.ts';
import { storedWords } from '../../../src/lib/core/words/problems.ts';

/** Columns of `pages.csv`: a frozen list, for the program's own is made from declarations. */
export const PAGE_COLUMNS = [
    'url',
    'status',
    'content_type',
    'redirect_to',
    'depth',
    'gate',
    'indexable',
    'incoming_links',
    'incoming_pages',
    'outgoing_links',
    'standing',
    'section',
    'title',
    'h1',
    'canonical',
    'meta_robots',
    'robots_allowed',
    'in_sitemap',
    'evidence',
    'orphan',
    'words',
    'gate_reason',
    'reached',
    'not_read',
    'incoming_followed',
    'x_robots_tag',
    'description',
    'language',
    'folder_depth',
    'bytes',
    'milliseconds',
    'type_note',
    'body_trouble',
] as const;
export type PageColumn = (typeof PAGE_COLUMNS)[number];

/** Null is "not known" and is written as an empty cell. */
export type PageRecord = Record<PageColumn, string | number | boolean | null>;

/** The page at a node as a record. */
export function pageRecord(survey: MeasuredSurvey, node: number): PageRecord {
    const page = survey.pages[node] ?? null;
    const gate = survey.gates[node]!;
    const url = survey.urls[node]!;
    const urlOf = (id: number): string => survey.urlById.get(id) ?? '';
    const depth = survey.depths.depth[node]!;
    const wasRead = page?.status != null;
    const isDocument = wasRead && page.words !== null;
    const orphan = survey.orphan[node]!;
    const evidence = evidenceNames(survey.evidence[node]!);
    return {
        url,
        status: page?.status ?? null,
        content_type: wasRead && page.contentType !== '' ? page.contentType : null,
        redirect_to: page?.redirectTo == null ? null : urlOf(page.redirectTo),
        depth: depth === UNREACHED ? null : depth,
        gate: gate.gate,
        indexable: gate.gate === null ? null : gate.gate === 'indexable',
        incoming_links: survey.incomingLinks[node]!,
        incoming_pages: survey.incomingPages[node]!,
        outgoing_links: wasRead ? survey.outgoingLinks[node]! : null,
        standing: null,
        section: sectionOf(url),
        title: isDocument ? page.title : null,
        h1: isDocument ? page.h1 : null,
        canonical: page === null ? null : page.canonicals.map(urlOf).join(' '),
        meta_robots: page?.metaRobots ?? null,
        robots_allowed: page?.robotsAllowed ?? null,
        in_sitemap: survey.hasSitemap ? evidence.includes('sitemap') : null,
        evidence: evidence.join(' '),
        orphan: orphan === ORPHAN.unknown ? null : orphan !== ORPHAN.no,
        words: page?.words ?? null,
        gate_reason: gate.reason,
        reached: depth !== UNREACHED ? true : survey.complete ? false : null,
        not_read: page === null ? null : page.notRead,
        incoming_followed: survey.incomingFollowed[node]!,
        x_robots_tag: page?.xRobotsTag ?? null,
        description: isDocument ? page.description : null,
        language: isDocument ? page.language : null,
        folder_depth: folderDepth(url),
        bytes: page?.bytes ?? null,
        milliseconds: page?.milliseconds ?? null,
        type_note: wasRead ? storedWords(page.typeNote) : null,
        body_trouble: wasRead ? storedWords(page.bodyTrouble) : null,
    };
}
