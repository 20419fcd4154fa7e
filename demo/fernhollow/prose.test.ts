import { describe, expect, it } from 'vitest';
import { BRANCHES } from './prose/branches.ts';
import { HELP } from './prose/help.ts';
import { JOURNAL } from './prose/journal.ts';
import { ORPHAN_GUIDES } from './prose/guides-last.ts';
import { WORKSHOPS } from './prose/workshops.ts';
import { fernhollow, LISTED_GUIDES } from './site.ts';

const ALL = [...LISTED_GUIDES, ...ORPHAN_GUIDES, ...BRANCHES, ...HELP, ...JOURNAL, ...WORKSHOPS];

function sentences(text: string): string[] {
    return text
        .replace(/\[([^\]]+)\]\([^)]+\)/g, '$1')
        .split(/(?<=[.!?:])\s+/)
        .map((sentence) => sentence.trim())
        .filter((sentence) => sentence !== '');
}

describe('the prose of the demo site', () => {
    it('has at least 60 written pages, each with a few sentences', () => {
        expect(ALL.length).toBeGreaterThanOrEqual(60);
        for (const page of ALL) expect(sentences(page.text).length, page.slug).toBeGreaterThanOrEqual(3);
    });

    it('says nothing twice', () => {
        const seen = new Map<string, string>();
        for (const page of ALL) {
            for (const sentence of [...sentences(page.text), page.lead]) {
                expect(seen.get(sentence), `"${sentence}" in ${page.slug}`).toBeUndefined();
                seen.set(sentence, page.slug);
            }
        }
    });

    it('links only to what answers, but for the members and the faults', () => {
        const site = fernhollow();
        for (const page of ALL) {
            for (const [, path = ''] of page.text.matchAll(/\]\(([^)]+)\)/g)) {
                const { status } = site({ scheme: 'https', host: 'www.fernhollow-tools.example', path });
                expect([200, 301], `${path} in ${page.slug}`).toContain(status);
            }
        }
    });
});
