/**
 * The lean tree: just enough of a document for extraction, built by parse5's own tree builder through this adapter.
 * Comments, doctypes and end positions are dropped. Where each start tag began is taken from the tokenizer at the
 * moment the tag opens, which is far cheaper than parse5's own location records and gives the same places.
 *
 * Invariant: an element's `offset` is the index of its `<` in the parsed text; elements the parser made up have -1,
 * and a formatting element that was re-opened keeps the offset of the tag it was made from.
 */
import { Parser, type TreeAdapter, type Token, html } from 'parse5';
import { LeanTokenizer, PlacingTokenizer, type PlacedAttributes } from './lean-tokenizer.ts';

type Attribute = Token.Attribute;

export interface LeanText {
    text: string;
    parent: LeanElement | null;
    /** Where its characters stand in the parsed text; only where they were asked for. */
    runs?: TextRun[];
}

/** Characters of a text node that came out of one stretch of the parsed text. */
export interface TextRun {
    /** The first of them in the node, and the one behind the last. */
    at: number;
    end: number;
    /** Where the stretch begins and ends; longer or shorter than what came of it where references stand in it. */
    from: number;
    to: number;
}

export interface LeanElement {
    tag: string;
    /** In the HTML namespace (SVG and MathML elements share tag names with it). */
    isHtml: boolean;
    isSvg: boolean;
    namespace: html.NS;
    attributes: Attribute[];
    parent: LeanElement | null;
    /** Of no child the same array for all: only `append` adds the first ones. */
    children: LeanNode[];
    offset: number;
    /** The content of a `template`; never walked, so nothing in it counts. */
    content: LeanElement | null;
    /** Of a document: whether it is read in quirks mode. */
    mode?: html.DOCUMENT_MODE;
}

export type LeanNode = LeanText | LeanElement;

interface LeanTypes {
    node: LeanNode;
    parentNode: LeanElement;
    childNode: LeanNode;
    document: LeanElement;
    documentFragment: LeanElement;
    element: LeanElement;
    commentNode: LeanText;
    textNode: LeanText;
    template: LeanElement;
    documentType: LeanText;
}

export function isElement(node: LeanNode): node is LeanElement {
    return 'children' in node;
}

const NO_CHILDREN: LeanNode[] = [];

/**
 * Most elements have a child or two, and an array that is pushed to makes room for seventeen: with those of attributes a
 * third of the memory of a tree, all of which the collector copies while it grows. A few children stand in an array that
 * is just as long.
 */
function append(parent: LeanElement, child: LeanNode): void {
    const { children } = parent;
    if (children.length === 0) parent.children = [child];
    else if (children.length === 1) parent.children = [children[0]!, child];
    else if (children.length === 2) parent.children = [children[0]!, children[1]!, child];
    else children.push(child);
}

function makeElement(tag: string, namespace: html.NS, attributes: PlacedAttributes): LeanElement {
    return {
        tag,
        isHtml: namespace === html.NS.HTML,
        isSvg: namespace === html.NS.SVG,
        namespace,
        attributes,
        parent: null,
        children: NO_CHILDREN,
        offset: attributes.offset ?? -1,
        content: null,
    };
}

/** Comments and doctypes are not kept: one node stands for all of them and is never attached. */
const DROPPED: LeanText = { text: '', parent: null };

const adapter: TreeAdapter<LeanTypes> = {
    createDocument: () => makeElement('#document', html.NS.HTML, []),
    createDocumentFragment: () => makeElement('#fragment', html.NS.HTML, []),
    createElement: makeElement,
    createCommentNode: () => DROPPED,
    createTextNode: (text) => ({ text, parent: null }),
    appendChild(parent, child) {
        if (child === DROPPED) return;
        child.parent = parent;
        append(parent, child);
    },
    insertBefore(parent, child, before) {
        if (child === DROPPED) return;
        child.parent = parent;
        parent.children.splice(parent.children.indexOf(before), 0, child);
    },
    setTemplateContent(template, content) {
        template.content = content;
    },
    getTemplateContent: (template) => (template.content ??= makeElement('#fragment', html.NS.HTML, [])),
    setDocumentType: () => undefined,
    // Without a doctype a table does not close a paragraph, and links end up elsewhere.
    setDocumentMode(document, mode) {
        document.mode = mode;
    },
    getDocumentMode: (document) => document.mode ?? html.DOCUMENT_MODE.NO_QUIRKS,
    detachNode(node) {
        if (!node.parent) return;
        const siblings = node.parent.children;
        siblings.splice(siblings.indexOf(node), 1);
        node.parent = null;
    },
    insertText(parent, text) {
        const last = parent.children[parent.children.length - 1];
        if (last && !isElement(last)) last.text += text;
        else append(parent, { text, parent });
    },
    insertTextBefore(parent, text, before) {
        const index = parent.children.indexOf(before);
        const previous = parent.children[index - 1];
        if (previous && !isElement(previous)) previous.text += text;
        else parent.children.splice(index, 0, { text, parent });
    },
    adoptAttributes(recipient, attributes) {
        const known = new Set(recipient.attributes.map((attribute) => attribute.name));
        for (const attribute of attributes) if (!known.has(attribute.name)) recipient.attributes.push(attribute);
    },
    getFirstChild: (node) => node.children[0] ?? null,
    getChildNodes: (node) => node.children,
    getParentNode: (node) => node.parent,
    getAttrList: (element) => element.attributes,
    getTagName: (element) => element.tag,
    getNamespaceURI: (element) => element.namespace,
    getTextNodeContent: (node) => node.text,
    getCommentNodeContent: () => '',
    getDocumentTypeNodeName: () => '',
    getDocumentTypeNodePublicId: () => '',
    getDocumentTypeNodeSystemId: () => '',
    isTextNode: (node): node is LeanText => !isElement(node) && node !== DROPPED,
    isCommentNode: (node): node is LeanText => node === DROPPED,
    isDocumentTypeNode: (node): node is LeanText => node === DROPPED,
    isElementNode: isElement,
    setNodeSourceCodeLocation: () => undefined,
    getNodeSourceCodeLocation: () => null,
    updateNodeSourceCodeLocation: () => undefined,
};

/** The same, which keeps where text stands: parse5 tells the place of each run of characters that it puts into a node. */
const placing: TreeAdapter<LeanTypes> = {
    ...adapter,
    setNodeSourceCodeLocation(node, location) {
        if (isElement(node) || !location) return;
        const runs = (node.runs ??= []);
        const last = runs[runs.length - 1];
        const run = { at: last?.end ?? 0, end: node.text.length, from: location.startOffset, to: location.endOffset };
        // A run that goes on where the last ended, character for character, is one with it.
        if (last && last.to === run.from && isPlain(last) && isPlain(run)) {
            last.end = run.end;
            last.to = run.to;
        } else runs.push(run);
    },
};

const isPlain = ({ at, end, from, to }: TextRun): boolean => end - at === to - from;

/** Parses a document as a browser with scripting on would. O(length). */
export function parseLean(text: string): LeanElement {
    const parser = new Parser<LeanTypes>({ treeAdapter: adapter, scriptingEnabled: true });
    parser.tokenizer = new LeanTokenizer(parser);
    parser.tokenizer.write(text, true);
    return parser.document;
}

/** The same tree, whose texts know where they stand (`LeanText.runs`). */
export function parsePlaced(text: string): LeanElement {
    const parser = new Parser<LeanTypes>({
        treeAdapter: placing,
        scriptingEnabled: true,
        sourceCodeLocationInfo: true,
    });
    parser.tokenizer = new PlacingTokenizer(parser);
    parser.tokenizer.write(text, true);
    return parser.document;
}

/** Value of an attribute, or null; the first one wins, as in HTML. */
export function attributeOf(element: LeanElement, name: string): string | null {
    for (const attribute of element.attributes) {
        if (attribute.name === name && !attribute.prefix) return attribute.value;
    }
    return null;
}

/** Elements in document order; templates' contents are no children, so they are not met. */
export function walkElements(root: LeanElement, visit: (element: LeanElement) => void): void {
    const stack: LeanElement[] = [root];
    for (let element = stack.pop(); element; element = stack.pop()) {
        visit(element);
        for (let index = element.children.length - 1; index >= 0; index--) {
            const child = element.children[index];
            if (child && isElement(child)) stack.push(child);
        }
    }
}
