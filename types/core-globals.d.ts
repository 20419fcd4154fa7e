/**
 * The few names of the web platform that core may use besides ECMAScript itself: they exist alike in Node, in workers
 * and in the browser. Included by core's own tsconfig only; everything else sees the full DOM and Node types.
 */
interface UrlLike {
    href: string;
    protocol: string;
    username: string;
    password: string;
    host: string;
    hostname: string;
    port: string;
    pathname: string;
    search: string;
    hash: string;
    origin: string;
}
declare const URL: {
    new (url: string, base?: string): UrlLike;
};
type URL = UrlLike;
declare class URLSearchParams {
    constructor(values: Record<string, string>);
    toString(): string;
}
declare class TextDecoder {
    constructor(label?: string, options?: { ignoreBOM?: boolean });
    decode(bytes?: Uint8Array): string;
}
declare class TextEncoder {
    encode(text: string): Uint8Array;
    encodeInto(text: string, into: Uint8Array): { read: number; written: number };
}
