/** A line of the set language as words, texts in quotes and signs. */

export interface Token {
    kind: 'word' | 'text' | 'sign' | 'end';
    /** The word; what stands between the quotes; the sign. */
    value: string;
    /** Where it begins and ends in the line. */
    from: number;
    to: number;
}

export interface SetTrouble {
    ok: false;
    /** Where in the line, and how many characters. */
    at: number;
    length: number;
    /** What is wrong and what was expected, as a sentence. */
    say: string;
}

const SIGNS = ['<=', '>=', '!=', '=', '<', '>', '(', ')', ','];
/** A longer line is nobody's own. */
export const MOST_CHARACTERS = 20_000;

/** @returns the tokens with an `end` behind them, or what is wrong */
export function tokensOf(line: string): { ok: true; tokens: Token[] } | SetTrouble {
    if (line.length > MOST_CHARACTERS) {
        return { ok: false, at: MOST_CHARACTERS, length: 1, say: 'The set is longer than 20,000 characters.' };
    }
    const tokens: Token[] = [];
    let at = 0;
    while (at < line.length) {
        const first = line[at]!;
        if (/\s/.test(first)) {
            at++;
            continue;
        }
        const from = at;
        if (first === '"') {
            let value = '';
            at++;
            while (at < line.length && line[at] !== '"') {
                // A backslash takes the next character as it is.
                if (line[at] === '\\' && at + 1 < line.length) at++;
                value += line[at++]!;
            }
            if (at >= line.length) {
                return { ok: false, at: from, length: line.length - from, say: 'The text has no closing quote.' };
            }
            at++;
            tokens.push({ kind: 'text', value, from, to: at });
            continue;
        }
        const sign = SIGNS.find((candidate) => line.startsWith(candidate, at));
        if (sign !== undefined) {
            at += sign.length;
            tokens.push({ kind: 'sign', value: sign, from, to: at });
            continue;
        }
        while (at < line.length && !/[\s"(),<>=]/.test(line[at]!) && !line.startsWith('!=', at)) at++;
        tokens.push({ kind: 'word', value: line.slice(from, at), from, to: at });
    }
    tokens.push({ kind: 'end', value: '', from: line.length, to: line.length });
    return { ok: true, tokens };
}

/** Words that mean something where a value may stand: in quotes when they are one. */
const OWN_WORDS = new Set(['and', 'or', 'not', 'via', 'with', 'followed', 'unknown', 'empty', 'one']);

/** A value as the language writes it: bare where that is clear, else in quotes. */
export function quoted(value: string, always = false): string {
    const isBare = !always && /^[^\s"(),<>=!\\]+$/.test(value) && !OWN_WORDS.has(value.toLowerCase());
    return isBare ? value : `"${value.replace(/["\\]/g, '\\$&')}"`;
}
