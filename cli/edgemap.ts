/** The command line after the launcher has made the machine ready. */
import { join } from 'node:path';
import { cleanConsole } from '../src/lib/server/process/clean-output.ts';
import { projectRoot, UserError } from '../src/lib/server/process/data-folder.ts';
import { isFull, sayFull } from '../src/lib/server/process/disk-space.ts';
import { EXIT, helpText, UsageError } from './usage.ts';

/** A failure of the operating system: a folder that is closed to us, a port that is taken. */
function isRefused(error: unknown): error is Error {
    return error instanceof Error && 'syscall' in error;
}

/** Each command is read when it is called: whoever asks about one robots.txt does not wait for the database's library. */
async function main(words: string[]): Promise<number> {
    const [command, ...rest] = words;
    switch (command) {
        case 'demo':
        case 'start':
            return (await import('./run.ts')).runCommand(rest, command === 'demo');
        case 'survey':
            return (await import('./survey.ts')).surveyCommand(rest);
        case 'door':
            return (await import('./door.ts')).doorCommand(rest);
        case 'robots':
            return (await import('./robots.ts')).robotsCommand(rest);
        case 'sitemap':
            return (await import('./sitemap.ts')).sitemapCommand(rest);
        case 'build-sitemap':
            return (await import('./build-sitemap.ts')).buildSitemapCommand(rest);
        case 'test':
            return (await import('./test.ts')).testCommand(rest);
        case 'bench':
            return (await import('./bench.ts')).benchCommand(rest);
        case 'make-demo-evidence':
            (await import('../demo/make-evidence.ts')).writeEvidence(join(projectRoot(), 'demo/evidence'));
            return EXIT.done;
        case 'help':
        case undefined:
            console.log(helpText());
            return EXIT.done;
        default:
            throw new UsageError(`There is no command "${command}".`);
    }
}

cleanConsole();
try {
    process.exitCode = await main(process.argv.slice(2));
} catch (error) {
    if (error instanceof UsageError) {
        console.error(`${error.message}\nSee ./edgemap help.`);
        process.exitCode = EXIT.usage;
    } else if (error instanceof UserError) {
        console.error(error.message);
        process.exitCode = EXIT.noSurvey;
    } else {
        // What the system refuses is told in a sentence; anything else is a fault of ours and tells where it lies.
        console.error(
            isFull(error) ? sayFull(process.env.EDGEMAP_DATA ?? '.') : isRefused(error) ? error.message : error,
        );
        process.exitCode = EXIT.noSurvey;
    }
}
// Timers and sockets of libraries must not keep a finished command alive.
process.exit();
