/** Notes, as they go between browser and server. */
import { z } from 'zod';

export const NOTE_ABOUT = ['page', 'set', 'section'] as const;

export const NewNote = z.object({
    about: z.enum(NOTE_ABOUT),
    subject: z.string().min(1, 'Say what the note is about.').max(20_000),
    text: z.string().trim().min(1, 'Write something first.').max(10_000, 'A note has at most 10,000 characters.'),
});
