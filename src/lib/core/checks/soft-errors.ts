/** Does what is not there say so? Pages that answer as if they were, and hosts that do so for everything. */
import { NEAR_TEXT } from '../doubles/near-doubles.ts';
import { languageOfTag } from '../page/language-tag.ts';
import { notFoundPhrase } from '../text/not-found.ts';
import { defineCheck, type Check } from './check.ts';

/** Words of a main text from which on a page that speaks of what is not found has something else to say. */
const ENOUGH_WORDS = 150;

export const SOFT_ERROR_CHECKS: readonly Check[] = [
    defineCheck({
        id: 'soft-404',
        severity: 'risk',
        looks: 'page',
        name: 'An error that answers as a page',
        fires: `A page that answers 200, and whose text is nearly what its host answers for a made-up address; or whose title or h1 says that nothing was found, with a main text of fewer than ${ENOUGH_WORDS} words.`,
        quiet: 'Longer texts that speak of what is not found, and hosts of which no made-up address was asked for, as far as they are held against one.',
        why: 'Whoever indexes takes it for a page, and keeps asking for it.',
        advice: 'Answer 404 or 410, or redirect to what took its place.',
        example: '/workshops/2019 answers 200 with `<title>Page not found</title>`',
        ofPage: ({ survey }) => {
            const [page, alike, words] = [
                survey.numbers('page'),
                survey.numbers('made_up_likeness'),
                survey.numbers('main_words'),
            ];
            const [titles, h1s] = [survey.texts('title'), survey.texts('h1')];
            return (node) => {
                if (page[node] !== 1) return null;
                if (alike[node]! >= NEAR_TEXT * 100) return { params: { says: null } };
                if (words[node] === -1 || words[node]! >= ENOUGH_WORDS) return null;
                const language = languageOfTag(survey.word('language', node));
                const says = notFoundPhrase(titles.at(node), language) ?? notFoundPhrase(h1s.at(node), language);
                return says === null ? null : { params: { says } };
            };
        },
    }),
    defineCheck({
        id: 'errors-answer-200',
        severity: 'fault',
        looks: 'file',
        name: 'A host that answers 200 for anything',
        fires: 'A host that answers 200 for a made-up address, which nobody can have made.',
        quiet: 'Hosts that answer 404 or 410, or redirect, and those that were not asked.',
        why: 'Every slip of the pen becomes a page, and what is gone never goes.',
        advice: 'Answer 404 for what is not there.',
        example: '/3f9ac0 and twenty digits more, which nobody links to, answers 200',
        needsMadeUp: true,
        ofFiles: ({ survey }) =>
            survey.head.files
                .filter(({ kind, status }) => kind === 'made-up' && status === 200)
                .map(({ url }) => ({ params: {}, file: url, line: null })),
    }),
];
