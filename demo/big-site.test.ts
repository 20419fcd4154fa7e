import { describe, expect, it } from 'vitest';
import { readPage } from '$lib/core/page/read-page.ts';
import { bigSite } from './big-site.ts';

const HEADERS = { link: [], refresh: '', xRobotsTag: [] };

describe('the big site', () => {
    it('is the same for the same seed, and another for another', () => {
        const options = { pages: 1_000 };
        expect(bigSite(options).page(777)).toBe(bigSite(options).page(777));
        expect(bigSite({ ...options, seed: 2 }).page(777)).not.toBe(bigSite(options).page(777));
    });

    it('has the pages, bytes and links it was asked for', () => {
        const { site, page, pathOf } = bigSite({ pages: 500, bytes: 28_000, menu: 60, related: 22 });
        const facts = readPage(page(3), `https://big.example${pathOf(3)}`, HEADERS);
        const links = facts.blocks.flatMap((block) => block.links).filter((link) => link.kind === 'a');
        // 60 of menu and footer, 22 related, 8 children.
        expect(links).toHaveLength(90);
        expect(page(3).length).toBeGreaterThan(28_000);
        expect(page(3).length).toBeLessThan(29_500);
        const asked = { scheme: 'https', host: 'big.example' } as const;
        for (const link of links) expect(site({ ...asked, path: new URL(link.target).pathname }).status).toBe(200);
        expect(site({ ...asked, path: '/section-1/page-500/' }).status).toBe(404);
        expect(site({ ...asked, path: '/section-1/page-3/' }).status).toBe(404);
    });

    it('reaches every page from the start', () => {
        const { page, pathOf } = bigSite({ pages: 700, bytes: 1_000, menu: 0, related: 0 });
        const reached = new Set(['/']);
        for (let number = 0; number < 700; number++) {
            expect(reached.has(pathOf(number)), String(number)).toBe(true);
            for (const [, path = ''] of page(number).matchAll(/href="(\/section[^"]*)"/g)) reached.add(path);
        }
        expect(reached.size).toBe(700);
    });

    it('is made page by page, a million as well', () => {
        const { page, pathOf } = bigSite({ pages: 1_000_000, bytes: 2_000 });
        expect(page(999_999)).toContain(`<link rel="canonical" href="${pathOf(999_999)}">`);
    });
});
