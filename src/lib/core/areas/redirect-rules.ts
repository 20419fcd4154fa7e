/**
 * The rule of redirects that leads the variants of one kind to the form that is meant, as lines for two common web
 * servers. They are proposals to be read and copied: nobody here knows what else a server's configuration says.
 */
import type { VariantKind } from '../address/variants.ts';

export interface RedirectRules {
    /** For Apache httpd with mod_rewrite, in the server's configuration. */
    apache: string[];
    /** For nginx, within the server block. */
    nginx: string[];
    /** What no line of a server can do, or what must be known first; empty for nothing. */
    caution: string;
}

/** What the meant form looks like. */
export interface MeantForm {
    /** Scheme and host of the address that is meant. */
    origin: string;
    /** It ends in a slash. */
    hasSlash: boolean;
    /** It names an index document: which. */
    index: string;
}

const NONE: RedirectRules = { apache: [], nginx: [], caution: '' };

/** Escaped for a regular expression of either server. */
const literal = (text: string): string => text.replace(/[.+*?^$()[\]{}|\\]/g, '\\$&');

const RULES: Record<VariantKind, (meant: MeantForm, losing: string) => RedirectRules> = {
    scheme: ({ origin }) => {
        const secure = origin.startsWith('https:');
        return {
            apache: [
                'RewriteEngine On',
                `RewriteCond %{HTTPS} ${secure ? '!=on' : '=on'}`,
                `RewriteRule ^/?(.*)$ ${origin}/$1 [R=301,L]`,
            ],
            nginx: [`if ($scheme = ${secure ? 'http' : 'https'}) { return 301 ${origin}$request_uri; }`],
            caution: '',
        };
    },
    host: ({ origin }, losing) => ({
        apache: [
            'RewriteEngine On',
            `RewriteCond %{HTTP_HOST} ^${literal(hostName(losing))}$ [NC]`,
            `RewriteRule ^/?(.*)$ ${origin}/$1 [R=301,L]`,
        ],
        nginx: [`if ($host = ${hostName(losing)}) { return 301 ${origin}$request_uri; }`],
        caution: '',
    }),
    index: ({ index }, losing) => {
        const own = /[^/]*$/.exec(losing.split('?', 1)[0]!)![0];
        return index !== ''
            ? {
                  ...NONE,
                  caution: 'The index document is what is linked; let the folder lead there only if it must stay.',
              }
            : {
                  apache: ['RewriteEngine On', `RewriteRule ^/?(.*/)?${literal(own)}$ /$1 [R=301,L]`],
                  nginx: [`rewrite ^(.*/)${literal(own)}$ $1 permanent;`],
                  caution: 'The server must find the document itself without asking for it by name again.',
              };
    },
    slash: ({ hasSlash }) => ({
        apache: [
            'RewriteEngine On',
            hasSlash ? 'RewriteRule ^/?((?:.*/)?[^/.]+)$ /$1/ [R=301,L]' : 'RewriteRule ^/?(.+)/$ /$1 [R=301,L]',
        ],
        nginx: [hasSlash ? 'rewrite ^(/(?:.*/)?[^/.]+)$ $1/ permanent;' : 'rewrite ^(/.+)/$ $1 permanent;'],
        caution: hasSlash ? 'Names with a dot, such as files, are left as they are.' : '',
    }),
    slashes: () => ({
        apache: [
            'RewriteEngine On',
            'RewriteCond %{THE_REQUEST} \\s[^?\\s]*//',
            'RewriteRule ^ %{REQUEST_URI} [R=301,L,NE]',
        ],
        nginx: ['merge_slashes off;', 'rewrite ^(.*?)//+(.*)$ $1/$2 permanent;'],
        caution: '',
    }),
    case: () => ({
        apache: [
            'RewriteEngine On',
            'RewriteMap lower int:tolower',
            'RewriteCond %{REQUEST_URI} [A-Z]',
            'RewriteRule ^/?(.*)$ /${lower:$1} [R=301,L]',
        ],
        nginx: [],
        caution:
            'Only where no address of the site needs capital letters. nginx cannot change letters by itself: let the application do it.',
    }),
    order: () => ({
        ...NONE,
        caution: 'No server puts parameters into order: let the application do it, or write links in one order.',
    }),
};

const hostName = (url: string): string => /^https?:\/\/([^/:?]*)/.exec(url)?.[1] ?? '';

/** @param losing one of the addresses to be redirected */
export function redirectRules(kind: VariantKind, meant: string, losing: string): RedirectRules {
    const path = meant.split('?', 1)[0]!;
    const form: MeantForm = {
        origin: /^https?:\/\/[^/?]*/.exec(meant)?.[0] ?? '',
        hasSlash: path.endsWith('/'),
        index: /\/((?:index|default|home)\.[a-z]{2,5})$/i.exec(path)?.[1] ?? '',
    };
    return RULES[kind](form, losing);
}
