/** A robots.txt that is proposed for a host, as it goes to the server. */
import { z } from 'zod';

/** What parsers take of a robots.txt at least (RFC 9309 2.5), in bytes of UTF-8. */
const MOST_BYTES = 512_000;

export const RobotsProposal = z.object({
    /** Scheme, host and port. */
    origin: z
        .string()
        .max(300)
        .regex(/^https?:\/\/[^/?#\s]+$/, 'Say for which host, as https://www.site.example.'),
    text: z
        .string('Give the text of the file.')
        .refine(
            (text) => new TextEncoder().encode(text).length <= MOST_BYTES,
            'A robots.txt is read up to 500 KiB: this text is longer.',
        ),
    note: z.string().trim().max(2_000).default(''),
});
export type RobotsProposal = z.infer<typeof RobotsProposal>;
