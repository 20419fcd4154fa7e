/** What the page itself says: its title, headings and text, and pages that say the same. */
import { defineCheck, type Check, type CheckView, when } from './check.ts';
import { sizeOf } from './set-size.ts';

/** Words of a main text below which a page has little to say. */
const FEW_WORDS = 50;

/** True for the pages whose text is empty. */
function withoutText({ survey }: CheckView, text: 'title' | 'h1'): (node: number) => boolean {
    const page = survey.numbers('page');
    const texts = survey.texts(text);
    return (node) => page[node] === 1 && texts.at(node) === '';
}

/** True for the pages that share something with another page. */
function withSame({ survey }: CheckView, column: 'same_body' | 'same_text' | 'same_title'): (node: number) => boolean {
    const [page, same] = [survey.numbers('page'), survey.numbers(column)];
    return (node) => page[node] === 1 && same[node] !== -1;
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
        ofPage: (view) => {
            const isSo = withoutText(view, 'title');
            return (node) => when(isSo(node), {});
        },
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
        ofPage: (view) => {
            const isSo = withSame(view, 'same_title');
            return (node) => when(isSo(node), {});
        },
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
        fires: `A page whose main text has fewer than ${FEW_WORDS} words.`,
        quiet: 'Pages whose main text is not known.',
        why: 'It may have nothing of its own to say.',
        advice: 'Say more, or make it part of another page.',
        ofPage: ({ survey }) => {
            const [page, main] = [survey.numbers('page'), survey.numbers('main_words')];
            return (node) => {
                const words = main[node]!;
                return page[node] === 1 && words !== -1 && words < FEW_WORDS ? { params: { words } } : null;
            };
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
        ofPage: (view) => {
            const isSo = withSame(view, 'same_body');
            return (node) => when(isSo(node), {});
        },
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
        ofPage: (view) => {
            const [hasBody, hasText] = [withSame(view, 'same_body'), withSame(view, 'same_text')];
            return (node) => when(hasText(node) && !hasBody(node), {});
        },
    }),
];
