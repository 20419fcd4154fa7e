import { describe, expect, it } from 'vitest';
import { problemWordsOrNone } from '../../core/words/problems.ts';
import { mediaTypeOf } from './media-type.ts';

const bytes = (text: string): Uint8Array => Buffer.from(text, 'latin1');

describe('mediaTypeOf', () => {
    it.each([
        ['', '<!DOCTYPE html><p>', 'text/html', 'no content type was sent; the first bytes are text/html'],
        ['', '', '', 'no content type was sent'],
        [
            'unknown/unknown',
            '%PDF-1.4',
            'application/pdf',
            'the content type sent was "unknown/unknown"; the first bytes are application/pdf',
        ],
        ['html', '<html>', 'text/html', 'the content type sent was "html"; the first bytes are text/html'],
        ['text/html', '%PDF-1.4', 'text/html', 'sent as text/html, but begins as application/pdf'],
        ['text/html', '\x89PNG\r\n\x1a\n', 'text/html', 'sent as text/html, but begins as image/png'],
        ['text/plain', '<!doctype HTML><title>x', 'text/plain', 'sent as text/plain, but begins as HTML'],
        [
            'application/octet-stream',
            '<html ',
            'application/octet-stream',
            'sent as application/octet-stream, but begins as HTML',
        ],
        ['text/html', 'plain words are HTML too', 'text/html', ''],
        ['text/html', '<p>x', 'text/html', ''],
        ['image/svg+xml', '<html>', 'image/svg+xml', ''],
        ['application/pdf', '%PDF-1.4', 'application/pdf', ''],
    ])('"%s" with %j is %s', (sent, body, type, note) => {
        const found = mediaTypeOf(sent, bytes(body));
        expect([found.type, problemWordsOrNone(found.note)]).toEqual([type, note]);
    });
});
