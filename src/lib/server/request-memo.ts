/**
 * What was asked of the database while one request is answered: a page and the frame around it ask for the same site,
 * survey and sets, and each is asked for once. Gone with the request. Only for requests that change nothing.
 */
import { AsyncLocalStorage } from 'node:async_hooks';

const memo = new AsyncLocalStorage<Map<string, unknown>>();

/** Does something with a memory of its own. */
export function withMemo<T>(work: () => T): T {
    return memo.run(new Map(), work);
}

/** The answer to a question, asked once; always anew where there is no memory. */
export function askedOnce<T>(question: string, ask: () => Promise<T>): Promise<T> {
    const known = memo.getStore();
    if (!known) return ask();
    if (!known.has(question)) known.set(question, ask());
    return known.get(question) as Promise<T>;
}
