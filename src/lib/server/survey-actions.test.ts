import { describe, expect, it } from 'vitest';
import { NO_DECISIONS } from '../core/survey/survey-rows.ts';
import { decided } from './survey-actions.ts';

describe('decisions', () => {
    const opened = decided(NO_DECISIONS, { kind: 'family', of: 'a.example/{n}', state: 'open' });

    it('are kept once, the last one about the same family counting', () => {
        expect(opened).toEqual({ opened: ['a.example/{n}'], closed: [], actions: [] });
        const closed = decided(opened, { kind: 'family', of: 'a.example/{n}', state: 'closed' });
        expect(closed).toEqual({ opened: [], closed: ['a.example/{n}'], actions: [] });
        expect(decided(closed, { kind: 'family', of: 'a.example/{n}', state: 'closed' })).toEqual(closed);
    });

    it('leave the others as they are', () => {
        const more = decided(opened, { kind: 'action', of: 'https://a.example/logout', state: 'open' });
        expect(more).toEqual({ ...opened, actions: ['https://a.example/logout'] });
        expect(decided(more, { kind: 'action', of: 'https://a.example/logout', state: 'closed' })).toEqual(opened);
    });
});
