import { describe, expect, it } from 'vitest';
import { charsetOf, decodeDocument, queryEncoderOf } from './charset.ts';
import { isPrivateAddress } from './connect.ts';
import { mediaTypeOf } from './media-type.ts';
import { retryAfter } from './pace.ts';
import { findPin, readPin, type Pin } from './pins.ts';

const bytes = (text: string): Uint8Array => new TextEncoder().encode(text);
const latin1 = (text: string): Uint8Array => Uint8Array.from(Buffer.from(text, 'latin1'));

describe('pins', () => {
    it.each([
        [
            'www.site.example=127.0.0.1:8080',
            { host: 'www.site.example', port: undefined, address: '127.0.0.1', addressPort: 8080 },
        ],
        ['Site.Example:8443=10.0.0.7:443', { host: 'site.example', port: 8443, address: '10.0.0.7', addressPort: 443 }],
        ['site.example=[::1]:80', { host: 'site.example', port: undefined, address: '::1', addressPort: 80 }],
    ])('%s', (text, pin) => {
        expect(readPin(text)).toEqual({ ok: true, pin });
    });

    it.each([
        '',
        'site.example',
        'site.example=127.0.0.1',
        'site.example=other.example:80',
        'site example=127.0.0.1:80',
        'site.example=127.0.0.1:99999',
        'site.example:0=127.0.0.1:80',
        'a=b=c',
        'site.example=1.2.3:80',
    ])('"%s" is refused with a sentence that names it', (text) => {
        const read = readPin(text);
        expect(read.ok).toBe(false);
        expect(!read.ok && read.say).toMatch(/pin|port|host/);
    });

    it('prefers the pin that names the port', () => {
        const pins = ['site.example=127.0.0.1:1', 'site.example:8443=127.0.0.1:2'].map(
            (text) => (readPin(text) as { pin: Pin }).pin,
        );
        expect(findPin(pins, 'SITE.example', 8443)?.addressPort).toBe(2);
        expect(findPin(pins, 'site.example', 80)?.addressPort).toBe(1);
        expect(findPin(pins, 'other.example', 80)).toBeUndefined();
    });
});

describe('private addresses', () => {
    it.each([
        '127.0.0.1',
        '10.1.2.3',
        '172.16.0.1',
        '192.168.1.1',
        '169.254.169.254',
        '0.0.0.0',
        '::1',
        '[::1]',
        'fe80::1%eth0',
        'fc00::1',
        '::ffff:127.0.0.1',
        '::ffff:10.0.0.1',
        '100.64.0.1',
    ])('%s is private', (address) => {
        expect(isPrivateAddress(address)).toBe(true);
    });
    it.each(['93.184.216.34', '2606:2800:220:1::1', 'site.example', 'localhost'])(
        '%s is not an address that is private',
        (address) => {
            expect(isPrivateAddress(address)).toBe(false);
        },
    );
});

describe('charset', () => {
    it.each<[string, Uint8Array, string, string]>([
        [
            'a BOM before everything',
            Uint8Array.of(0xef, 0xbb, 0xbf, ...bytes('ä')),
            'text/html; charset=iso-8859-1',
            'ä',
        ],
        [
            'the header before the meta',
            latin1('<meta charset=utf-8>\xe4'),
            'text/html; charset="ISO-8859-1"',
            '<meta charset=utf-8>ä',
        ],
        ['the meta', latin1('<meta charset=windows-1251>\xe4'), 'text/html', '<meta charset=windows-1251>д'],
        [
            'the http-equiv meta',
            latin1('<meta http-equiv=content-type content="text/html; charset=iso-8859-2">\xb1'),
            'text/html',
            '<meta http-equiv=content-type content="text/html; charset=iso-8859-2">ą',
        ],
        ['UTF-8 where the bytes are that', bytes('dürr'), 'text/html', 'dürr'],
        ['windows-1252 otherwise', latin1('d\xfcrr \x80'), 'text/html', 'dürr €'],
        ['Shift_JIS', Uint8Array.of(0x82, 0xa0), 'text/html; charset=shift_jis', 'あ'],
    ])('takes %s', (_, body, header, text) => {
        expect(decodeDocument(body, header).text).toBe(text);
    });

    it('reads the parameter of a header', () => {
        expect(charsetOf('text/html;Charset=utf-8; x')).toBe('utf-8');
        expect(charsetOf('text/html')).toBeUndefined();
    });

    it('writes queries in the document encoding, with a reference for what it lacks', () => {
        expect(queryEncoderOf('UTF-8')).toBeUndefined();
        expect(queryEncoderOf('UTF-16LE')).toBeUndefined();
        expect(queryEncoderOf('windows-1252')?.('q=ä&x=1')).toBe('q=%E4&x=1');
        expect(queryEncoderOf('windows-1252')?.('д')).toBe('%26%231076%3B');
        expect(queryEncoderOf('Shift_JIS')?.('あ')).toMatch(/^%82%A0$/i);
    });
});

describe('sniffedType', () => {
    it.each<[string, string, string]>([
        ['text/html', '{}', 'text/html'],
        ['application/pdf', '<html>', 'application/pdf'],
        ['', '\n <!DOCTYPE HTML><p>', 'text/html'],
        ['', '<?xml version="1.0"?>', 'text/xml'],
        ['', '%PDF-1.4', 'application/pdf'],
        ['', 'plain words', 'text/plain'],
        ['', 'a\u0000b', 'application/octet-stream'],
        ['unknown/unknown', '<html>', 'text/html'],
    ])('sent "%s", body %j: %s', (sent, body, type) => {
        expect(mediaTypeOf(sent, bytes(body)).type).toBe(type);
    });
});

describe('retryAfter', () => {
    const header = (value: string): Map<string, string[]> => new Map([['retry-after', [value]]]);

    it('takes seconds, a date, or ever longer steps, within bounds', () => {
        expect(retryAfter(header('7'), 1)).toBe(7_000);
        expect(retryAfter(header('100000'), 1)).toBe(60_000);
        expect(retryAfter(header('Mon, 23 Nov 2026 10:00:05 GMT'), 1, Date.parse('2026-11-23T10:00:00Z'))).toBe(5_000);
        expect(retryAfter(header('Mon, 23 Nov 2026 09:00:00 GMT'), 1, Date.parse('2026-11-23T10:00:00Z'))).toBe(0);
        expect([1, 2, 3].map((tries) => retryAfter(new Map(), tries))).toEqual([1_000, 2_000, 4_000]);
        expect(retryAfter(header('soon'), 2)).toBe(2_000);
    });
});
