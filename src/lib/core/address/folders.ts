/** The folders of addresses: which one each lies in, and of which one each is the page. */

export interface Folders {
    /** Number of the folder each lies in; -1 at the root of a host. */
    within: Int32Array;
    /** Number of the folder each is the page of, with any query; -1 for none. */
    pageOf: Int32Array;
}

const INDEX = /\/(?:index|default)\.[a-z]{2,5}$/i;

/**
 * `/a/`, `/a` and `/a/index.html` are pages of the folder `/a/`, and lie in what that lies in; with a query they lie in
 * `/a/` itself. O(characters)
 */
export function foldersOf(count: number, urlOf: (node: number) => string): Folders {
    const numbers = new Map<string, number>();
    const numberOf = (folder: string): number => {
        // "https://host/": its parts are "https:", "", "host" and "".
        if (folder.split('/').length <= 4) return -1;
        let number = numbers.get(folder);
        if (number === undefined) numbers.set(folder, (number = numbers.size));
        return number;
    };
    const within = new Int32Array(count);
    const pageOf = new Int32Array(count);
    for (let node = 0; node < count; node++) {
        const url = urlOf(node);
        const query = url.indexOf('?');
        const path = (query === -1 ? url : url.slice(0, query)).replace(INDEX, '/');
        const own = path.endsWith('/') ? path : `${path}/`;
        pageOf[node] = numberOf(own);
        within[node] = numberOf(query === -1 ? own.slice(0, own.lastIndexOf('/', own.length - 2) + 1) : own);
    }
    return { within, pageOf };
}
