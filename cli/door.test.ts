import { describe, expect, it } from 'vitest';
import { problem, writeProblem } from '../src/lib/core/problems/problem.ts';
import { doorPage, doorReport } from '../tests/support/door.ts';
import { doorText } from './door.ts';

describe('the report of a door check as text', () => {
    const noindex = {
        say: writeProblem(problem('noindex-meta', { name: 'robots', says: 'noindex' })),
        where: [{ in: 'meta', name: 'robots', content: 'noindex', line: 3 } as const],
    };
    const sample = 'https://www.site.example/behind';

    it('says in words what stands on the start page and on the pages behind it', () => {
        const text = doorText(
            doorReport({
                start: doorPage({ noindex }),
                samples: [doorPage({ url: sample, noindex })],
                differences: [{ url: sample, what: 'noindex', ours: noindex.say, other: '' }],
            }),
        );
        expect(text).toContain('  meta robots says noindex: <meta name="robots" content="noindex">, line 3\n');
        expect(text).toContain(`  ${sample}: 200, meta robots says noindex\n`);
        expect(text).toContain(`  ${sample}: noindex: “meta robots says noindex” to us, “none” to it`);
        expect(text).not.toContain('"code"');
    });
});
