/** Numbers and plurals in English. */

export function number(value: number): string {
    return value.toLocaleString('en');
}

/** "1 page", "2 pages", "1,000 pages". */
export function counted(count: number, one: string, many = `${one}s`): string {
    return `${number(count)} ${count === 1 ? one : many}`;
}

/** One of two words by a number. */
export const by = (count: number, one: string, many: string): string => (count === 1 ? one : many);

/** "a, b or c". */
export function listed(words: readonly string[], last: 'and' | 'or'): string {
    return words.length <= 1 ? (words[0] ?? '') : `${words.slice(0, -1).join(', ')} ${last} ${words.at(-1)}`;
}

const MIB = 1024 * 1024;

/** Whole megabytes below ten gigabytes, in figures a person reads at once. */
export function megabytes(bytes: number): string {
    const whole = Math.floor(bytes / MIB);
    return whole < 10_240 ? `${whole.toLocaleString('en')} MB` : `${Math.floor(whole / 1024).toLocaleString('en')} GB`;
}
