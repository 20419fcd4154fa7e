import type { StandInSite } from '../stand-in.ts';
export function fernhollow(): StandInSite {
    return () => ({ status: 200, headers: { 'content-type': 'text/html' }, body: '<title>x</title><a href="/">home</a>' });
}
