/** What the page itself says: its title, headings and text, and pages that say the same. */
import { defineCheck, type Check, when, type PageView } from './check.ts';
import { sizeOf } from './set-size.ts';

/** Words of a main text below which a page has little to say. */
const FEW_WORDS = 50;

const isPage = ({ survey, node }: PageView): boolean => survey.numbers('page')[node] === 1;
const isEmpty = ({ survey, node }: PageView, text: 'title' | 'h1'): boolean => survey.texts(text).at(node) === '';
const hasSame = ({ survey, node }: PageView, column: 'same_body' | 'same_text' | 'same_title'): boolean =>
    survey.numbers(column)[node] !== -1;

export const TEXT_CHECKS: readonly Check[] = [
    defineCheck({
        id: 'title-missing',
        severity: 'fault',
        looks: 'page',
        name: 'No title',
        fires: 'A page without a title element, or with an empty one.',
        quiet: 'What is no HTML, redirects and errors.',
        why: 'Nothing names it in a list of results, a tab or a bookmark.',
        advice: 'Give it a title that tells it from its neighbours.',
        ofPage: (view) => when(isPage(view) && isEmpty(view, 'title'), {}),
    }),
    defineCheck({
        id: 'same-title',
        severity: 'remark',
        looks: 'page',
        name: 'Same title',
        fires: 'A page whose title another page has too, in any case.',
        quiet: 'Pages without a title.',
        why: 'Readers cannot tell them apart.',
        advice: 'Say in each title what is there and not on the other.',
        ofPage: (view) => when(isPage(view) && !isEmpty(view, 'title') && hasSame(view, 'same_title'), {}),
        edits: ({ survey }) => {
            const set = 'indexable and same title';
            return [{ severity: 'remark', params: {}, set, cost: null, about: sizeOf(survey, set) }];
        },
    }),
    defineCheck({
        id: 'h1-missing',
        severity: 'remark',
        looks: 'page',
        name: 'No h1',
        fires: 'A page without a main heading.',
        quiet: 'Headings that are hidden count.',
        why: 'Whoever lands here is not told where.',
        advice: 'Give it one h1.',
        ofPage: (view) => when(isPage(view) && isEmpty(view, 'h1'), {}),
    }),
    defineCheck({
        id: 'few-words',
        severity: 'remark',
        looks: 'page',
        name: 'Few words',
        fires: `A page whose main text has fewer than ${FEW_WORDS} words.`,
        quiet: 'Pages whose main text is not known.',
        why: 'It may have nothing of its own to say.',
        advice: 'Say more, or make it part of another page.',
        ofPage: (view) => {
            const words = view.survey.numbers('main_words')[view.node]!;
            return isPage(view) && words !== -1 && words < FEW_WORDS ? [{ params: { words } }] : [];
        },
    }),
    defineCheck({
        id: 'same-body',
        severity: 'risk',
        looks: 'page',
        name: 'Same body',
        fires: 'A page whose body is, byte for byte, that of another page.',
        quiet: 'Bodies that differ in anything.',
        why: 'Two addresses share what one would have.',
        advice: 'Redirect one to the other, or name one canonical.',
        ofPage: (view) => when(isPage(view) && hasSame(view, 'same_body'), {}),
    }),
    defineCheck({
        id: 'same-text',
        severity: 'risk',
        looks: 'page',
        name: 'Same main text',
        fires: 'A page whose main text is that of another page, whatever stands around it.',
        quiet: 'The very same body, which is said as such.',
        why: 'Two addresses share what one would have.',
        advice: 'Redirect one to the other, or name one canonical.',
        ofPage: (view) => when(isPage(view) && !hasSame(view, 'same_body') && hasSame(view, 'same_text'), {}),
    }),
];
