/**
 * Secrets at rest: AES-256-GCM (NIST SP 800-38D) with a key that lies beside the data and in no backup or export: the
 * file `secrets.key` of the data folder, or `EDGEMAP_KEY`.
 */
import { problem, type Problem } from '../../core/problems/problem.ts';
import { createCipheriv, createDecipheriv, createHash, randomBytes } from 'node:crypto';
import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { NO_SECRETS, type SurveySecrets } from '../../core/survey/settings.ts';
import { writeWhole } from '../process/data-folder.ts';
import { StoredSecrets } from './settings.ts';

const VERSION = 1;
const NONCE_BYTES = 12;
const TAG_BYTES = 16;
/** Bound to what it is for, so that sealed bytes from elsewhere are refused. */
const PURPOSE = Buffer.from('edgemap survey secrets');

/** The key of a data folder, made on first use. Any text may be given in `EDGEMAP_KEY`; its hash is the key. */
export function secretsKey(folder: string, given = process.env.EDGEMAP_KEY): Buffer {
    if (given !== undefined && given !== '') return createHash('sha256').update(given).digest();
    const file = join(folder, 'secrets.key');
    if (!existsSync(file)) writeWhole(file, `${randomBytes(32).toString('hex')}\n`);
    return Buffer.from(readFileSync(file, 'utf8').trim(), 'hex');
}

/** @returns null when there is nothing to keep */
export function sealSecrets(key: Buffer, secrets: SurveySecrets): Buffer | null {
    if (secrets.headers.length === 0 && secrets.cookies.length === 0 && secrets.signIn === null) return null;
    const nonce = randomBytes(NONCE_BYTES);
    const cipher = createCipheriv('aes-256-gcm', key, nonce);
    cipher.setAAD(PURPOSE);
    const sealed = Buffer.concat([cipher.update(JSON.stringify(secrets), 'utf8'), cipher.final()]);
    return Buffer.concat([Buffer.of(VERSION), nonce, cipher.getAuthTag(), sealed]);
}

export type OpenedSecrets = { ok: true; secrets: SurveySecrets } | { ok: false; problem: Problem };

const CLOSED: OpenedSecrets = { ok: false, problem: problem('secrets-unread', {}) };

export function openSecrets(key: Buffer, sealed: Uint8Array | null): OpenedSecrets {
    if (sealed === null) return { ok: true, secrets: NO_SECRETS };
    try {
        const bytes = Buffer.from(sealed);
        if (bytes[0] !== VERSION) return CLOSED;
        const decipher = createDecipheriv('aes-256-gcm', key, bytes.subarray(1, 1 + NONCE_BYTES));
        decipher.setAAD(PURPOSE);
        decipher.setAuthTag(bytes.subarray(1 + NONCE_BYTES, 1 + NONCE_BYTES + TAG_BYTES));
        const opened = Buffer.concat([decipher.update(bytes.subarray(1 + NONCE_BYTES + TAG_BYTES)), decipher.final()]);
        return { ok: true, secrets: StoredSecrets.parse(JSON.parse(opened.toString('utf8'))) };
    } catch {
        return CLOSED;
    }
}
