import { describe, expect, it } from 'vitest';
import { isPrivateHost } from './private-host.ts';

describe('a host that only its own network reaches', () => {
    it.each([
        'localhost',
        'LOCALHOST:8080',
        'app.localhost',
        '127.0.0.1',
        '10.1.2.3:80',
        '172.16.0.1',
        '172.31.255.255',
        '192.168.0.1',
        '169.254.1.1',
        '0.0.0.0',
        '[::1]',
        '[fd12:3456::1]:80',
        '[fe80::1]',
    ])('is %s', (host) => expect(isPrivateHost(host)).toBe(true));

    it.each([
        'site.example',
        'localhost.example',
        '11.0.0.1',
        '172.32.0.1',
        '172.15.0.1',
        '192.169.0.1',
        '169.253.0.1',
        '[2001:db8::1]',
        '10.example',
        '10.1.example.net',
        '',
    ])('is not %s', (host) => expect(isPrivateHost(host)).toBe(false));
});
