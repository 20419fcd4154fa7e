/** Header values arrive as Latin-1; a site that sends UTF-8 means UTF-8. */
export function headerText(value: string): string {
    const text = Buffer.from(value, 'latin1').toString('utf8');
    return text.includes('\ufffd') ? value : text;
}
