/** Why a sitemap that is built does not list an address, in English. */
import type { Refused } from './sitemap-params.ts';

const REFUSED: Record<Refused, (at: string) => string> = {
    'other-origin': (at) => `of another host or scheme than ${at}`,
    above: (at) => `not below ${at}`,
    'too-long': () => 'of 2,048 characters or more',
};

/** @param at address of the folder that the files will stand in */
export const refusedWords = (why: Refused, at: string): string => REFUSED[why](at);
