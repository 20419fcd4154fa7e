/** Why a line of a list of evidence, or of an access log, cannot be read; in words by `core/words/evidence.ts`. */
export type LineFault =
    /** Of an access log. */
    | 'line-too-long'
    | 'no-time'
    | 'bad-time'
    | 'no-request'
    | 'request-open'
    | 'no-target'
    | 'no-status'
    /** Of a table. */
    | 'no-address'
    | 'bad-address'
    | 'no-source'
    | 'bad-source'
    | 'quote-open'
    | 'quote-inside'
    | 'row-too-long'
    | 'row-broken';
