/** What does the page say? Its title, headings and text. */
import { GATE_INDEXABLE } from '../columns/gate-facts.ts';
import { defineCheck, thresholdOf, type Check, type CheckView, type Threshold, when } from './check.ts';

/** Words of a main text below which a page has little to say. */
const FEW_WORDS: Threshold = { value: 50, min: 1, max: 1000, unit: 'words' };
/** Characters beyond which a title is cut where it is shown. */
const LONG_TITLE: Threshold = { value: 70, min: 10, max: 1000, unit: 'characters' };

/** True for the pages whose text is empty. */
function withoutText({ survey }: CheckView, text: 'title' | 'h1'): (node: number) => boolean {
    const page = survey.numbers('page');
    const texts = survey.texts(text);
    return (node) => page[node] === 1 && texts.at(node) === '';
}

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
        example: '`<title></title>`',
        ofPage: (view) => {
            const isSo = withoutText(view, 'title');
            return (node) => when(isSo(node), {});
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
        example: 'a page without `<h1>`',
        ofPage: (view) => {
            const isSo = withoutText(view, 'h1');
            return (node) => when(isSo(node), {});
        },
    }),
    defineCheck({
        id: 'few-words',
        severity: 'remark',
        looks: 'page',
        name: 'Few words',
        fires: `A page whose main text has fewer than ${FEW_WORDS.value} words.`,
        quiet: 'Pages whose main text is not known.',
        why: 'It may have nothing of its own to say.',
        advice: 'Say more, or make it part of another page.',
        example: 'a main text of twelve words',
        threshold: FEW_WORDS,
        ofPage: (view) => {
            const { survey } = view;
            const [page, main] = [survey.numbers('page'), survey.numbers('main_words')];
            const few = thresholdOf(view, 'few-words', FEW_WORDS);
            return (node) => {
                const words = main[node]!;
                return page[node] === 1 && words !== -1 && words < few ? { params: { words } } : null;
            };
        },
    }),
    defineCheck({
        id: 'title-long',
        severity: 'remark',
        looks: 'page',
        name: 'Long title',
        fires: `A page whose title has more than ${LONG_TITLE.value} characters.`,
        quiet: 'Titles of just that many.',
        why: 'Lists of results and tabs cut it.',
        advice: 'Put what tells the page from others first, and leave the rest out.',
        example: 'a title of 84 characters',
        threshold: LONG_TITLE,
        ofPage: (view) => {
            const { survey } = view;
            const [page, titles] = [survey.numbers('page'), survey.texts('title')];
            const long = thresholdOf(view, 'title-long', LONG_TITLE);
            return (node) => {
                const characters = page[node] === 1 ? [...titles.at(node)].length : 0;
                return characters > long ? { params: { characters } } : null;
            };
        },
    }),
    defineCheck({
        id: 'description-missing',
        severity: 'remark',
        looks: 'page',
        name: 'No description',
        fires: 'An indexable page without a meta description.',
        quiet: 'Pages that may not be indexed.',
        why: 'Whoever lists it takes a sentence of its own choice.',
        advice: 'Say in a sentence or two what is found there.',
        example: 'no `<meta name="description">`',
        ofPage: ({ survey }) => {
            const [gate, texts] = [survey.numbers('gate'), survey.texts('description')];
            return (node) => when(gate[node] === GATE_INDEXABLE && texts.at(node) === '', {});
        },
    }),
    defineCheck({
        id: 'language-missing',
        severity: 'remark',
        looks: 'page',
        name: 'No language',
        fires: 'A page whose html element does not say its language.',
        quiet: 'What is no HTML, redirects and errors.',
        why: 'What reads aloud, translates or indexes has to guess.',
        advice: 'Give the html element a lang.',
        example: '`<html>` without `lang`',
        ofPage: ({ survey }) => {
            const [page, language] = [survey.numbers('page'), survey.numbers('language')];
            return (node) => when(page[node] === 1 && language[node] === 0, {});
        },
    }),
];
