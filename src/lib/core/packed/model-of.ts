/** The model of what was read: columns of a packed survey as the measures take them. */
import { NOT_READ_REASONS, type NotRead } from '../survey/survey-rows.ts';
import { foldersOf } from '../address/folders.ts';
import { isListing } from '../evidence/listing.ts';
import type { GraphModel, LinkTexts } from '../model/graph-model.ts';
import { blocksOf } from './link-graph.ts';
import type { PackedSurvey } from './packed-survey.ts';

/** Reasons that are failures of the target, not choices of the survey. */
const FAILURES: NotRead[] = ['no-such-host', 'refused', 'timeout', 'tls', 'lost', 'broken-reply'];

/**
 * Needs `core`; of the texts, `isListing` and `folders` need `text`, and `links` needs all facts. O(nodes).
 */
export function modelOf(survey: PackedSurvey): GraphModel {
    const { count, head } = survey;
    return {
        count,
        starts: head.starts,
        isComplete: head.complete,
        isPage: survey.numbers('page'),
        isClosed: Uint8Array.from(survey.numbers('robots_allowed'), (allowed) => (allowed === 0 ? 1 : 0)),
        isLost: lostUrls(survey),
        nofollow: survey.numbers('nofollow'),
        redirect: survey.numbers('redirect'),
        refresh: survey.numbers('refresh'),
        ...blocksOf(survey),
        texts: {
            isListing: () => Uint8Array.from({ length: count }, (_, node) => (isListing(survey.url(node)) ? 1 : 0)),
            folders: () => foldersOf(count, (node) => survey.url(node)),
            links: () => linkTexts(survey),
        },
    };
}

function linkTexts(survey: PackedSurvey): LinkTexts {
    const blockPlace = survey.numbers('block_place');
    return {
        addresses: survey.count + survey.texts('other_url').length,
        text: survey.numbers('link_text'),
        textCount: survey.texts('link_text_words').length,
        fragment: survey.numbers('link_fragment'),
        fragmentCount: survey.texts('link_fragment_words').length,
        blockPlace,
        placeName: (block) => survey.texts('block_place_words').at(blockPlace[block]!),
        blockName: (block) => survey.texts('block_name').at(block),
    };
}

/** 1 for URLs where weight is lost: errors, failures, and what robots.txt closes. */
export function lostUrls(survey: PackedSurvey): Uint8Array {
    const status = survey.numbers('status');
    const allowed = survey.numbers('robots_allowed');
    const notRead = survey.numbers('not_read');
    const failed = new Set(FAILURES.map((reason) => 1 + NOT_READ_REASONS.indexOf(reason)));
    return Uint8Array.from({ length: survey.count }, (_, node) =>
        allowed[node] === 0 || status[node]! >= 400 || (status[node] === 0 && failed.has(notRead[node]!)) ? 1 : 0,
    );
}
