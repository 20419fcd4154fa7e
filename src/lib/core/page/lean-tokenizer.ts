/**
 * parse5's tokenizer with a way of its own through what nearly all of a document is: text, and tags as people write them.
 * Those are cut out of the input in one go; at the first character that means more than itself (a reference, a NUL, an
 * unusual tag) nothing has been taken yet, and parse5's own states read on from there, character by character. So
 * what is unusual is read by parse5, and what is usual gives the tokens that it would give: the tests hold both together.
 *
 * Text that began with another character than white space takes white space in: in every insertion mode that keeps text
 * both are put into the same node (a frameset keeps only white space, and its text is no text of a body).
 *
 * HTML 13.2.5; no source locations, but the place of each start tag, which travels on its attributes.
 */
import { html, Token, Tokenizer, TokenizerMode, type TokenHandler } from 'parse5';

/** Attribute lists are made anew for each start tag, so the place of the tag travels on them. */
export type PlacedAttributes = Token.Attribute[] & { offset?: number };

const NUL = 0;
const CARRIAGE_RETURN = 13;
const DOUBLE_QUOTE = 34;
const AMPERSAND = 38;
const SINGLE_QUOTE = 39;
const SLASH = 47;
const LESS_THAN = 60;
const EQUALS = 61;
const GREATER_THAN = 62;
const EXCLAMATION = 33;

/** What a character may be a part of, as bits. */
const WHITE = 1;
const FIRST_LETTER = 2;
const TAG_NAME = 4;
const ATTRIBUTE_NAME = 8;
const BARE_VALUE = 16;
const PARTS = new Uint8Array(0x80);
for (let code = 0; code < PARTS.length; code++) {
    const char = String.fromCharCode(code);
    if (/[ \n\t\f\r]/.test(char)) PARTS[code]! |= WHITE;
    if (/[A-Za-z]/.test(char)) PARTS[code]! |= FIRST_LETTER;
    if (/[A-Za-z0-9-]/.test(char)) PARTS[code]! |= TAG_NAME;
    if (/[A-Za-z0-9:_.@-]/.test(char)) PARTS[code]! |= ATTRIBUTE_NAME;
    if (/[A-Za-z0-9:_.@%#/?,;+*()!~$-]/.test(char)) PARTS[code]! |= BARE_VALUE;
}
const is = (code: number, part: number): boolean => code < 0x80 && (PARTS[code]! & part) !== 0;

/** Characters of a comment that are looked through, and odd comments after which none is: looking must not cost the square. */
const LONGEST_COMMENT = 10_000;
const MOST_ODD_COMMENTS = 100;
/** Attributes of one tag, beyond which parse5 keeps a set of their names: a bound against tags without end. */
const MOST_ATTRIBUTES = 64;

/** Those of end tags, which have none. */
const NO_ATTRIBUTES: Token.Attribute[] = [];

interface TagName {
    name: string;
    id: html.TAG_ID;
}

/** Names are few: each is kept once, so that comparing two is comparing places in memory. Bounded: pages make up more. */
const MOST_NAMES = 2_000;
const tagNames = new Map<string, TagName>();
const attributeNames = new Map<string, string>();

/** A text that shares no memory with the document it was cut from: kept names would keep whole documents. */
const ownText = (cut: string): string => ` ${cut}`.slice(1);

function tagNameOf(written: string): TagName {
    let known = tagNames.get(written);
    if (known === undefined) {
        const own = ownText(written);
        const name = own.toLowerCase();
        known = { name, id: html.getTagID(name) };
        if (tagNames.size < MOST_NAMES) tagNames.set(own, known);
    }
    return known;
}

function attributeNameOf(written: string): string {
    let known = attributeNames.get(written);
    if (known === undefined) {
        const own = ownText(written);
        known = own.toLowerCase();
        if (attributeNames.size < MOST_NAMES) attributeNames.set(own, known);
    }
    return known;
}

/** Tells of each start tag where it began; all that parse5 does is left as it is. */
class TagPlacer extends Tokenizer {
    constructor(handler: TokenHandler, sourceCodeLocationInfo: boolean) {
        super({ sourceCodeLocationInfo }, handler);
        // The document comes in one piece, and places are places in all of it: nothing of it is dropped meanwhile.
        this.preprocessor.bufferWaterline = Infinity;
    }

    protected override _createStartTagToken(): void {
        super._createStartTagToken();
        if (this.currentToken?.type !== Token.TokenType.START_TAG) return;
        // The first letter of the tag name has just been read; the "<" is one before it.
        const attributes: PlacedAttributes = this.currentToken.attrs;
        attributes.offset = this.preprocessor.offset - 1;
    }
}

/**
 * With source locations, of texts too. parse5 reads on, but what means nothing but itself is taken in one go instead of a
 * call for each character: up to what ends it, a reference, a NUL, a CR (read as LF) or half of a pair.
 */
export class PlacingTokenizer extends TagPlacer {
    constructor(handler: TokenHandler) {
        super(handler, true);
    }

    protected override _stateData(codePoint: number): void {
        super._stateData(codePoint);
        if (codePoint !== AMPERSAND && !is(codePoint, WHITE)) this.#runOn(codePoint, LESS_THAN, true);
    }

    protected override _stateRawtext(codePoint: number): void {
        super._stateRawtext(codePoint);
        if (!is(codePoint, WHITE)) this.#runOn(codePoint, LESS_THAN, false);
    }

    protected override _stateScriptData(codePoint: number): void {
        super._stateScriptData(codePoint);
        if (!is(codePoint, WHITE)) this.#runOn(codePoint, LESS_THAN, false);
    }

    #runOn(codePoint: number, end: number, hasReferences: boolean): void {
        const { preprocessor } = this;
        const { html: input, pos } = preprocessor;
        // The run that is pending has to end here, for it to grow.
        if (codePoint <= NUL || codePoint === end || this.runEnd !== pos + 1) return;
        // Behind a CR one LF is left out: the next character is not the next of the input.
        if (input.charCodeAt(pos) === CARRIAGE_RETURN) return;
        let at = pos + 1;
        for (; at < input.length; at++) {
            const code = input.charCodeAt(at);
            if (code === end || code === NUL || code === CARRIAGE_RETURN || (code >= 0xd800 && code <= 0xdfff)) break;
            if (code === AMPERSAND && hasReferences) break;
        }
        preprocessor.pos = at - 1;
        this.runEnd = at;
    }
}

export class LeanTokenizer extends TagPlacer {
    #oddComments = 0;

    constructor(handler: TokenHandler) {
        super(handler, false);
    }

    protected override _runParsingLoop(): void {
        if (this.inLoop) return;
        this.inLoop = true;
        while (this.active && !this.paused) {
            if (this.#hurry()) continue;
            this.consumedAfterSnapshot = 0;
            const codePoint = this._consume();
            if (!this._ensureHibernation()) this._callState(codePoint);
        }
        this.inLoop = false;
    }

    /** @returns whether anything was taken of the input; parse5 reads the next character where nothing was */
    #hurry(): boolean {
        switch (this.state) {
            case TokenizerMode.DATA:
                return this.#text(true) || this.#tag();
            case TokenizerMode.RCDATA:
                return this.#text(true);
            case TokenizerMode.RAWTEXT:
            case TokenizerMode.SCRIPT_DATA:
                return this.#text(false);
            default:
                return false;
        }
    }

    /** Takes text up to what ends it, or means more than itself. */
    #text(hasReferences: boolean): boolean {
        const { preprocessor } = this;
        const { html: input, pos } = preprocessor;
        // Behind a CR that parse5 took, it leaves one LF out.
        if (input.charCodeAt(pos) === CARRIAGE_RETURN) return false;
        const from = pos + 1;
        let at = from;
        while (at < input.length && is(input.charCodeAt(at), WHITE)) at++;
        const begun = at;
        for (; at < input.length; at++) {
            const code = input.charCodeAt(at);
            if (code > LESS_THAN) continue;
            if (code === LESS_THAN || code === NUL || (code === AMPERSAND && hasReferences)) break;
        }
        if (at === from) return false;
        this._emitCurrentCharacterToken(null);
        preprocessor.pos = at - 1;
        if (begun > from) {
            this.handler.onWhitespaceCharacter({
                type: Token.TokenType.WHITESPACE_CHARACTER,
                chars: withLineFeeds(input.slice(from, begun)),
                location: null,
            });
        }
        if (at > begun) {
            const chars = withLineFeeds(input.slice(begun, at));
            this.handler.onCharacter({ type: Token.TokenType.CHARACTER, chars, location: null });
        }
        return true;
    }

    /** Takes a tag or a comment, if it is one as people write them. */
    #tag(): boolean {
        const { html: input, pos } = this.preprocessor;
        const from = pos + 1;
        if (input.charCodeAt(from) !== LESS_THAN || input.charCodeAt(pos) === CARRIAGE_RETURN) return false;
        const next = input.charCodeAt(from + 1);
        if (is(next, FIRST_LETTER)) return this.#startTag(input, from);
        if (next === SLASH) return this.#endTag(input, from);
        return next === EXCLAMATION && this.#comment(input, from);
    }

    #endTag(input: string, from: number): boolean {
        let at = from + 2;
        if (!is(input.charCodeAt(at), FIRST_LETTER)) return false;
        while (is(input.charCodeAt(at), TAG_NAME)) at++;
        if (input.charCodeAt(at) !== GREATER_THAN) return false;
        const { name, id } = tagNameOf(input.slice(from + 2, at));
        this.#emitted(at);
        this.handler.onEndTag({
            type: Token.TokenType.END_TAG,
            tagName: name,
            tagID: id,
            selfClosing: false,
            ackSelfClosing: false,
            attrs: NO_ATTRIBUTES,
            location: null,
        });
        return true;
    }

    #comment(input: string, from: number): boolean {
        if (this.#oddComments > MOST_ODD_COMMENTS || !input.startsWith('<!--', from)) return false;
        const text = input.slice(from + 4, from + 4 + LONGEST_COMMENT);
        const end = text.indexOf('-->');
        // What ends a comment in other ways is left to parse5.
        if (end === -1 || text.startsWith('>') || text.startsWith('->') || text.slice(0, end).includes('--!')) {
            this.#oddComments++;
            return false;
        }
        this.#emitted(from + end + 6);
        this.handler.onComment({ type: Token.TokenType.COMMENT, data: '', location: null });
        return true;
    }

    #startTag(input: string, from: number): boolean {
        let at = from + 1;
        while (is(input.charCodeAt(at), TAG_NAME)) at++;
        const written = input.slice(from + 1, at);
        let attributes: PlacedAttributes = [];
        let selfClosing = false;
        for (;;) {
            let code = input.charCodeAt(at);
            if (code === GREATER_THAN) break;
            if (code === SLASH && input.charCodeAt(at + 1) === GREATER_THAN) {
                selfClosing = true;
                at++;
                break;
            }
            if (!is(code, WHITE)) return false;
            do code = input.charCodeAt(++at);
            while (is(code, WHITE));
            if (code === GREATER_THAN || code === SLASH) continue;
            const begun = at;
            while (is(input.charCodeAt(at), ATTRIBUTE_NAME)) at++;
            if (at === begun || attributes.length === MOST_ATTRIBUTES) return false;
            const name = attributeNameOf(input.slice(begun, at));
            let value = '';
            code = input.charCodeAt(at);
            if (code === EQUALS) {
                const end = valueEnd(input, at + 1);
                if (end === -1) return false;
                const quote = input.charCodeAt(at + 1);
                const isQuoted = quote === DOUBLE_QUOTE || quote === SINGLE_QUOTE;
                value = isQuoted ? withLineFeeds(input.slice(at + 2, end)) : input.slice(at + 1, end);
                at = isQuoted ? end + 1 : end;
            }
            if (!hasName(attributes, name)) attributes = withOne(attributes, { name, value });
        }
        const { name, id } = tagNameOf(written);
        attributes.offset = from;
        this.#emitted(at);
        this.lastStartTagName = name;
        this.handler.onStartTag({
            type: Token.TokenType.START_TAG,
            tagName: name,
            tagID: id,
            selfClosing,
            ackSelfClosing: false,
            attrs: attributes,
            location: null,
        });
        return true;
    }

    /** What was begun is sent off, and the input is taken up to a place. */
    #emitted(to: number): void {
        this._emitCurrentCharacterToken(null);
        this.preprocessor.pos = to;
    }
}

/** A CR, and a CR with an LF behind it, are read as one LF (HTML 13.2.3.5). */
const withLineFeeds = (text: string): string => (text.includes('\r') ? text.replace(/\r\n?/g, '\n') : text);

/** With one more attribute, in an array just as long: one that is pushed to makes room for seventeen. */
function withOne(attributes: PlacedAttributes, one: Token.Attribute): PlacedAttributes {
    switch (attributes.length) {
        case 0:
            return [one];
        case 1:
            return [attributes[0]!, one];
        case 2:
            return [attributes[0]!, attributes[1]!, one];
        default:
            attributes.push(one);
            return attributes;
    }
}

function hasName(attributes: PlacedAttributes, name: string): boolean {
    for (const attribute of attributes) if (attribute.name === name) return true;
    return false;
}

/**
 * Where an attribute value ends: at its closing quote, or behind its last character where it has none.
 * @returns -1 where it is unusual
 */
function valueEnd(input: string, from: number): number {
    const quote = input.charCodeAt(from);
    if (quote === DOUBLE_QUOTE || quote === SINGLE_QUOTE) {
        for (let at = from + 1; at < input.length; at++) {
            const code = input.charCodeAt(at);
            if (code > SINGLE_QUOTE) continue;
            if (code === quote) return at;
            if (code === AMPERSAND || code === NUL) return -1;
        }
        return -1;
    }
    let at = from;
    while (is(input.charCodeAt(at), BARE_VALUE)) at++;
    const code = input.charCodeAt(at);
    return at > from && (code === GREATER_THAN || is(code, WHITE)) ? at : -1;
}
