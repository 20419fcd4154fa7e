/** parse5's own tree with source locations, brought to the form the reader takes: the yardstick for the lean tree. */
import { defaultTreeAdapter, html, parse, type DefaultTreeAdapterTypes } from 'parse5';
import type { LeanElement, LeanNode } from '../src/lib/core/page/lean-tree.ts';

type Node = DefaultTreeAdapterTypes.Node;

export function parsePlain(text: string): DefaultTreeAdapterTypes.Document {
    return parse(text, { sourceCodeLocationInfo: true, scriptingEnabled: true });
}

/** The same elements and texts in the reader's form. O(nodes). */
export function leanOf(document: DefaultTreeAdapterTypes.Document): LeanElement {
    const root = elementOf('#document', html.NS.HTML, [], null, -1);
    const open: { from: Node[]; to: LeanElement }[] = [{ from: document.childNodes, to: root }];
    for (let item = open.pop(); item; item = open.pop()) {
        for (const node of item.from) {
            if (defaultTreeAdapter.isTextNode(node)) {
                const child: LeanNode = { text: node.value, parent: item.to };
                item.to.children.push(child);
            } else if (defaultTreeAdapter.isElementNode(node)) {
                const offset = node.sourceCodeLocation?.startOffset ?? -1;
                const child = elementOf(node.tagName, node.namespaceURI, node.attrs, item.to, offset);
                item.to.children.push(child);
                open.push({ from: node.childNodes, to: child });
            }
        }
    }
    return root;
}

function elementOf(
    tag: string,
    namespace: html.NS,
    attributes: LeanElement['attributes'],
    parent: LeanElement | null,
    offset: number,
): LeanElement {
    return {
        tag,
        isHtml: namespace === html.NS.HTML,
        isSvg: namespace === html.NS.SVG,
        namespace,
        attributes,
        parent,
        children: [],
        offset,
        content: null,
    };
}
