import { randomBytes } from 'node:crypto';
import { mkdtempSync, rmSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { NO_SECRETS, type SurveySecrets } from '../../core/survey/settings.ts';
import { openSecrets, sealSecrets, secretsKey } from './secret-box.ts';
import { problemWords } from '../../core/words/problems.ts';

const SECRETS: SurveySecrets = {
    headers: [['X-Stage', 'let me in']],
    cookies: [['session', 'abcdef']],
    signIn: { user: 'ana', password: 'pass:wörd' },
};

describe('secrets at rest', () => {
    const key = randomBytes(32);

    it('come back with the key they were sealed with, and hold nothing that can be read', () => {
        const sealed = sealSecrets(key, SECRETS)!;
        expect(openSecrets(key, sealed)).toEqual({ ok: true, secrets: SECRETS });
        for (const text of ['let me in', 'abcdef', 'ana', 'pass']) expect(sealed.includes(text)).toBe(false);
        expect(sealSecrets(key, SECRETS)!.equals(sealed)).toBe(false);
    });

    it('cannot be opened with another key, nor when a byte was changed; said in a sentence', () => {
        const sealed = sealSecrets(key, SECRETS)!;
        expect(openSecrets(randomBytes(32), sealed)).toMatchObject({ ok: false });
        for (const at of [0, 5, 20, sealed.length - 1]) {
            const changed = Buffer.from(sealed);
            changed[at]! ^= 1;
            const opened = openSecrets(key, changed);
            expect(opened.ok ? '' : problemWords(opened.problem)).toContain('cannot be opened');
        }
        expect(openSecrets(key, Buffer.alloc(3)).ok).toBe(false);
    });

    it('are nothing where there are none', () => {
        expect(sealSecrets(key, NO_SECRETS)).toBeNull();
        expect(openSecrets(key, null)).toEqual({ ok: true, secrets: NO_SECRETS });
    });

    it('have a key of the data folder that only its owner can read, or one that is given', () => {
        const folder = mkdtempSync(join(tmpdir(), 'edgemap-key-'));
        const made = secretsKey(folder, undefined);
        expect(made).toHaveLength(32);
        expect(secretsKey(folder, '').equals(made)).toBe(true);
        expect(statSync(join(folder, 'secrets.key')).mode & 0o777).toBe(0o600);
        expect(secretsKey(folder, 'given').equals(made)).toBe(false);
        expect(secretsKey(folder, 'given')).toHaveLength(32);
        rmSync(folder, { recursive: true });
    });
});
