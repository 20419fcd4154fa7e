/**
 * What the packed facts of nearly every page hold alike: deflating begins as if this had gone before, so that a record
 * costs what is its own. Stored rows are read with it: it is never changed; another one would be of another kind
 * (`packed-json.ts`). What is met most stands last.
 */
export const FACTS_DICTIONARY = Buffer.from(
    [
        '{"name":"og:title","content":"og:description","content":"og:image","content":"og:type","content":"website',
        '"name":"twitter:card","content":"summary"},{"name":"article:published_time","content":"20',
        '"structured":[{"syntax":"json-ld","types":["WebPage","BreadcrumbList","Article","Organization","Product"],',
        '"error":"","line":"isUntyped":true}],"dates":[{"from":"structured data","what":"datePublished","value":"20',
        '"from":"meta","what":"dateModified","value":"20"from":"time","what":"","value":"2026-',
        'nofollow"],"canonicalsInBody":["http',
        '"charsetFrom":"meta","bom","fallback","windows-1252","text/html",',
        '[["content-encoding","gzip"],["vary","Accept-Encoding"],["x-powered-by","PHP/8"],["link","<https://',
        '["strict-transport-security","max-age=31536000; includeSubDomains"],["x-content-type-options","nosniff"],',
        '["x-frame-options","SAMEORIGIN"],["content-language","en"],["age","0"],["content-security-policy","default-src ',
        '["server","nginx"],["server","Apache"],["etag","\\"],["etag","W/\\"',
        '["last-modified","Mon, 01 Jan 2026 00:00:00 GMT"],["accept-ranges","bytes"],["expires","Thu, ',
        '["cache-control","no-cache, no-store, must-revalidate, private, public, max-age=3600"],',
        '{"document":{"headings":[{"level":1,"text":"Introduction"},{"level":4,"text":"},{"level":3,"text":"},{"level":2,"text":"',
        '"}],"social":[],"structured":[],"dates":[],"ids":["top","content","main","noscriptLinks":0,',
        '"ids":[],"noscriptLinks":0,"robotsInBody":[],"canonicalsInBody":[]},"sentType":"text/html; charset=utf-8",',
        '"charset":"UTF-8","charsetFrom":"header","headers":[["content-length","]],"cookieNames":[]}',
    ].join(''),
    'utf8',
);
