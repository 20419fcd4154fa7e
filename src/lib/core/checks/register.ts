/** All checks, family by family. */
import type { Check } from './check.ts';
import { INDEXING_CHECKS } from './indexing.ts';
import { CANONICAL_CHECKS } from './canonicals.ts';
import { ROBOTS_CHECKS } from './robots.ts';
import { LINK_CHECKS } from './links.ts';
import { REDIRECT_CHECKS } from './redirects.ts';
import { REACH_CHECKS } from './reach.ts';
import { SITEMAP_CHECKS } from './sitemaps.ts';
import { DOUBLE_CHECKS } from './doubles.ts';
import { LANGUAGE_CHECKS } from './languages.ts';
import { LINK_END_CHECKS } from './link-ends.ts';
import { MARKUP_CHECKS } from './markup.ts';
import { SOFT_ERROR_CHECKS } from './soft-errors.ts';
import { SEQUENCE_CHECKS } from './sequences.ts';
import { STRUCTURE_CHECKS } from './structure.ts';
import { ANCHOR_CHECKS } from './anchors.ts';
import { HOST_CHECKS } from './hosts.ts';
import { TEXT_CHECKS } from './texts.ts';

/** A family of checks: one file, one question. */
export interface CheckFamily {
    question: string;
    checks: readonly Check[];
}

export const CHECK_FAMILIES: readonly CheckFamily[] = [
    { question: 'What may be indexed?', checks: [...INDEXING_CHECKS, ...SOFT_ERROR_CHECKS] },
    { question: 'What does robots.txt say?', checks: ROBOTS_CHECKS },
    { question: 'What do sitemaps say?', checks: SITEMAP_CHECKS },
    { question: 'What do canonicals name?', checks: CANONICAL_CHECKS },
    { question: 'Where do redirects end?', checks: REDIRECT_CHECKS },
    { question: 'Can it be got to?', checks: REACH_CHECKS },
    { question: 'Does it hang together as it was meant?', checks: STRUCTURE_CHECKS },
    { question: 'Where do links lead?', checks: [...LINK_CHECKS, ...LINK_END_CHECKS] },
    { question: 'What do links say?', checks: ANCHOR_CHECKS },
    { question: 'What does the page say?', checks: TEXT_CHECKS },
    { question: 'Is it said twice?', checks: [...HOST_CHECKS, ...DOUBLE_CHECKS] },
    { question: 'Is the markup in order?', checks: MARKUP_CHECKS },
    { question: 'Do languages fit together?', checks: LANGUAGE_CHECKS },
    { question: 'Do sequences hold together?', checks: SEQUENCE_CHECKS },
];

export const CHECKS: readonly Check[] = CHECK_FAMILIES.flatMap(({ checks }) => checks);

/** Those that find something of pages or links: a set can ask for them. */
export const FINDING_CHECKS: readonly Check[] = CHECKS.filter(
    ({ ofPage, ofTarget, ofLink }) => (ofPage ?? ofTarget ?? ofLink) !== null,
);

/** Those that find anything: of pages, of links, of files. */
export const TELLING_CHECKS: readonly Check[] = CHECKS.filter(
    (check) => FINDING_CHECKS.includes(check) || check.ofFiles,
);
