/**
 * The data of a view, made again when what its address names changes: the site, the survey, the current set. A load
 * function is run again for what it was seen to look at; what it takes from `locals` is not seen, so it is said here.
 */
import type { RequestContext } from '../request-context.ts';

interface LoadEvent<Params> {
    params: Params;
    url: URL;
    locals: RequestContext;
    cookies: { get: (name: string) => string | undefined };
    depends: (name: `${string}:${string}`) => void;
}

export function lookedAt<T, Params extends { site: string; survey?: string }>(
    show: (event: LoadEvent<Params>) => T,
): (event: LoadEvent<Params>) => T {
    return (event) => {
        event.depends('edgemap:survey');
        void event.params.site;
        void event.params.survey;
        void event.url.searchParams.get('set');
        return show(event);
    };
}
