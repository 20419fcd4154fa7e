/** How long to wait: what a server asked for, or ever longer steps, never beyond a bound. */
const MAX_WAIT_MILLISECONDS = 60_000;

/**
 * Wait before trying again after a 429 or 503 (RFC 9110 10.2.3: seconds or a date), in milliseconds.
 * @param tries how often it was tried, from 1; without `Retry-After` the wait doubles from one second
 */
export function retryAfter(headers: Map<string, string[]>, tries: number, now = Date.now()): number {
    const value = headers.get('retry-after')?.[0]?.trim() ?? '';
    let wait = 1000 * 2 ** (tries - 1);
    if (/^\d+$/.test(value)) wait = Number(value) * 1000;
    else if (value !== '' && !Number.isNaN(Date.parse(value))) wait = Date.parse(value) - now;
    return Math.max(0, Math.min(wait, MAX_WAIT_MILLISECONDS));
}
