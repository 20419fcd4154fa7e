/**
 * What was asked of the database while one request is answered: a page and the frame around it ask for the same site,
 * survey and sets, and each is asked for once. Gone with the request. Only for requests that change nothing.
 */
import { AsyncLocalStorage } from 'node:async_hooks';

interface Memo {
    answers: Map<string, unknown>;
    /** Queries that went to the database, by their text and values; counted while somebody watches (`store/connect.ts`). */
    queries: Map<string, { query: string; times: number }>;
}

const memo = new AsyncLocalStorage<Memo>();

/** Does something with a memory of its own. */
export function withMemo<T>(work: () => T): T {
    return memo.run({ answers: new Map(), queries: new Map() }, work);
}

/** The answer to a question, asked once; always anew where there is no memory. */
export function askedOnce<T>(question: string, ask: () => Promise<T>): Promise<T> {
    const known = memo.getStore()?.answers;
    if (!known) return ask();
    if (!known.has(question)) known.set(question, ask());
    return known.get(question) as Promise<T>;
}

/** Counts a query of the request that is answered. */
export function noteQuery(query: string, values: string): void {
    const queries = memo.getStore()?.queries;
    const key = `${query} ${values}`;
    queries?.set(key, { query, times: (queries.get(key)?.times ?? 0) + 1 });
}

/** How many queries the request has asked so far, and those it asked more than once, without their values. */
export function queriesAsked(): { queries: number; again: string[] } {
    let queries = 0;
    const again: string[] = [];
    for (const { query, times } of memo.getStore()?.queries.values() ?? []) {
        queries += times;
        if (times > 1) again.push(query);
    }
    return { queries, again };
}
