/** What each way an anchor stands to its target is called. */
import type { Fit } from '../../core/subjects/anchor-fit.ts';

export const FIT_NAMES: Record<Fit, string> = {
    fits: 'fits',
    loose: 'loose',
    off: 'off the subject',
    nothing: 'says nothing',
    unknown: 'not known',
    unjudged: 'not judged',
};

export interface Advice {
    say: string;
    not: string;
    but: string;
}

/** @param subject words of the target, the heaviest first @param title of the target */
export function adviceFor(fit: Fit, text: string, title: string): Advice | null {
    const but = title || 'the title of the page';
    switch (fit) {
        case 'nothing':
            return {
                say: 'A link says where it leads when it is read alone.',
                not: text || 'a picture without alt',
                but,
            };
        case 'off':
            return {
                say: 'An anchor holds a word of the page it leads to, and still says where it goes when it is read alone.',
                not: text,
                but,
            };
        case 'loose':
            return { say: 'Words of the title tell a page from its neighbours.', not: text, but };
        default:
            return null;
    }
}

export const quoted = (text: string, name = ''): string =>
    text !== '' ? `“${text}”` : name !== '' ? `“${name}” (name)` : 'no words';
