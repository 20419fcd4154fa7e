/** Which key does what anywhere in a survey. */
import { AREAS, type Area } from '../../core/views/areas.ts';

export interface KeyDeeds {
    find: () => void;
    keys: () => void;
    area: (area: Area) => void;
    /** Into the line of the set. */
    set: () => void;
    /** To the page before or after, in the set. */
    step: (by: 'before' | 'after') => void;
    closeSheet: () => void;
}

interface Pressed {
    key: string;
    ctrlKey: boolean;
    metaKey: boolean;
    altKey: boolean;
}

/**
 * What a pressed key asks for; null for nothing.
 * @param isTyping the key goes into a field
 * @param isCovered a window stands over the view
 */
export function keyDeed(pressed: Pressed, deeds: KeyDeeds, isTyping: boolean, isCovered: boolean): (() => void) | null {
    const { key } = pressed;
    const isChord = pressed.ctrlKey || pressed.metaKey;
    if (isChord && key.toLowerCase() === 'k') return deeds.find;
    if (isCovered) return null;
    if (key === 'Escape') return deeds.closeSheet;
    // Some layouts make a bracket or a slash with AltGr, which browsers tell as Ctrl and Alt together.
    const isPlain = !isChord || pressed.altKey;
    if (isTyping || !isPlain) return null;
    if (key === '?') return deeds.keys;
    if (key === '/') return deeds.set;
    if (key === '[') return () => deeds.step('before');
    if (key === ']') return () => deeds.step('after');
    const area = pressed.altKey ? undefined : AREAS.find((item) => item.key === key);
    return area ? () => deeds.area(area) : null;
}
