/** Columns last chosen, kept in the browser for a year: the server draws the next table with them. */
export function keepColumns(cookie: string, columns: readonly string[]): void {
    document.cookie = `${cookie}=${columns.join(',')}; path=/; max-age=31536000; samesite=lax`;
}
