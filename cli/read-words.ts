/** The words behind a command, by the options it takes. */
import { parseArgs, type ParseArgsConfig } from 'node:util';
import { UsageError } from './usage.ts';

/** @throws UsageError for an option there is none of, or one without its value */
export function readWords<const O extends NonNullable<ParseArgsConfig['options']>>(words: string[], options: O) {
    try {
        return parseArgs({ args: words, allowPositionals: true, options });
    } catch (error) {
        throw new UsageError((error as Error).message);
    }
}
