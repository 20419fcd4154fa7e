/** What is to be said of the lines of a robots.txt, in English. */
import { isPattern } from '../robots/decide.ts';
import type { RobotsLine } from '../robots/robots-lines.ts';

/** Why a line says nothing, or not what it seems to, as a sentence part; empty where there is nothing to say. */
export function robotsLineRemark({ kind, value }: RobotsLine): string {
    switch (kind) {
        case 'unread':
            return 'no parser takes it';
        case 'stray':
            return 'it stands before any User-agent line and belongs to nobody';
        case 'directive':
            return 'no standard knows it, and nobody keeps to it';
        case 'rule':
            return isPattern(value)
                ? ''
                : `it decides nothing, because a pattern starts with / or *; /${value} was probably meant`;
        default:
            return '';
    }
}
