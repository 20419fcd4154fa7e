import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, expect, it } from 'vitest';
import { readAhead } from './read-ahead.ts';

const folder = mkdtempSync(join(tmpdir(), 'edgemap-ahead-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

it('loads every module below its folders, and goes on past one that is broken', async () => {
    const seen: string[] = [];
    (globalThis as { aheadSeen?: string[] }).aheadSeen = seen;
    mkdirSync(join(folder, 'views', 'deep'), { recursive: true });
    const say = (path: string, code: string): void => writeFileSync(join(folder, path), code);
    say('package.json', '{"type":"module"}');
    say('views/a.js', 'globalThis.aheadSeen.push("a");');
    say('views/b.js', 'throw new Error("broken");');
    say('views/deep/c.js', 'globalThis.aheadSeen.push("c");');
    say('views/a.js.map', 'not a module');
    const loaded = await readAhead([join(folder, 'none'), join(folder, 'views')]);
    expect(loaded).toBe(2);
    expect(seen).toEqual(['a', 'c']);
});
