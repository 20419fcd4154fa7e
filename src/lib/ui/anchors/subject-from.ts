/** Where the words of a subject come from, behind "Its subject". */
import type { SubjectOrigin } from '../../core/subjects/subject.ts';

export const SUBJECT_FROM: Record<SubjectOrigin, string> = {
    'worked out': 'as worked out',
    page: 'as you said it',
    set: 'as you said it of a set',
};
