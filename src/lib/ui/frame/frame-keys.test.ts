import { describe, expect, it } from 'vitest';
import { AREAS } from '../../core/views/areas.ts';
import { keyDeed, type KeyDeeds } from './frame-keys.ts';

/** What was done, in order. */
function pressed(key: string, how: { ctrl?: boolean; alt?: boolean; typing?: boolean; covered?: boolean } = {}) {
    const done: string[] = [];
    const deeds: KeyDeeds = {
        find: () => done.push('find'),
        keys: () => done.push('keys'),
        area: ({ name }) => done.push(name),
        set: () => done.push('set'),
        step: (by) => done.push(by),
        closeSheet: () => done.push('close'),
    };
    const event = { key, ctrlKey: how.ctrl ?? false, metaKey: false, altKey: how.alt ?? false };
    keyDeed(event, deeds, how.typing ?? false, how.covered ?? false)?.();
    return done.join();
}

describe('the keys of a survey', () => {
    it('lead to the areas, the set, the neighbours and the list of keys', () => {
        for (const { key, name } of AREAS) expect(pressed(key)).toBe(name);
        expect(['/', '[', ']', '?', 'Escape'].map((key) => pressed(key))).toEqual([
            'set',
            'before',
            'after',
            'keys',
            'close',
        ]);
    });

    it('are letters in a field, but for the box that finds and leaving the sheet', () => {
        expect([AREAS[0]!.key, '/', '[', ']', '?'].map((key) => pressed(key, { typing: true }))).toEqual([
            '',
            '',
            '',
            '',
            '',
        ]);
        expect(pressed('K', { ctrl: true, typing: true })).toBe('find');
        expect(pressed('Escape', { typing: true })).toBe('close');
    });

    it('rest under a window, but for the box that finds', () => {
        expect(pressed('?', { covered: true })).toBe('');
        expect(pressed('Escape', { covered: true })).toBe('');
        expect(pressed('k', { ctrl: true, covered: true })).toBe('find');
    });

    it('leave the chords of the browser alone', () => {
        expect(pressed('1', { ctrl: true })).toBe('');
        expect(pressed('1', { alt: true })).toBe('');
        expect(pressed('[', { ctrl: true })).toBe('');
    });

    it('hear brackets that a keyboard makes with AltGr', () => {
        expect(pressed('[', { ctrl: true, alt: true })).toBe('before');
    });
});
