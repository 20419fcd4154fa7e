import { describe, expect, it } from 'vitest';
import type { TargetProposals } from '../../wire/proposals.ts';
import { joined } from './join-proposals.ts';

/** Proposals of pages, in order; the effect of each tells its page by the links in. */
function told(sources: string, more: Partial<TargetProposals> = {}): TargetProposals {
    const proposals = [...sources].map((source) => ({ source }) as TargetProposals['proposals'][number]);
    const effects = [...sources].map(
        (source) => ({ linksIn: [0, source.charCodeAt(0)] }) as TargetProposals['effects'][number],
    );
    return { proposals, effects, nearest: [], isWhole: false, taken: 0, ...more } as TargetProposals;
}
const shown = ({ proposals, effects }: TargetProposals): string => {
    // Each keeps its own effect.
    effects.forEach(({ linksIn }, at) => expect(linksIn[1]).toBe(proposals[at]!.source.charCodeAt(0)));
    return proposals.map(({ source }) => source).join('');
};

describe('all proposals behind the first', () => {
    it('keep the one in hand and those before it, then go by their own order', () => {
        expect(shown(joined(told('bdf'), told('abcdef'), 0, []))).toBe('bacdef');
        expect(shown(joined(told('bdf'), told('abcdef'), 1, []))).toBe('bdacef');
    });

    it('have none of a page that was answered meanwhile', () => {
        expect(shown(joined(told('df'), told('abcdef'), 0, ['b', 'c']))).toBe('daef');
    });

    it('are all there is where the first were none, and keep what was taken', () => {
        const nearest = [{ url: 'u', title: '', why: '' }];
        const all = joined(told('', { taken: 2 }), told('abc', { isWhole: true, nearest }), 0, []);
        expect([shown(all), all.isWhole, all.taken, all.nearest]).toEqual(['abc', true, 2, nearest]);
    });
});
