/** Why a sitemap that is built does not list an address: its words are in `sitemap-build.ts` here. */
export type Refused = 'other-origin' | 'above' | 'too-long';
