/** `edgemap test`: every check there is, closed by one line with the counts. */
import { spawn } from 'node:child_process';
import { closeSync, mkdtempSync, openSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, relative } from 'node:path';
import { z } from 'zod';
import { projectRoot } from '../src/lib/server/process/data-folder.ts';
import { EXIT } from './usage.ts';

const Report = z.object({
    numPassedTests: z.number(),
    numFailedTests: z.number(),
    numPendingTests: z.number(),
    numTodoTests: z.number(),
    numFailedTestSuites: z.number(),
    success: z.boolean(),
    testResults: z.array(
        z.object({
            name: z.string(),
            status: z.string(),
            message: z.string().optional(),
            assertionResults: z.array(
                z.object({
                    fullName: z.string(),
                    status: z.string(),
                    failureMessages: z.array(z.string()).nullish(),
                }),
            ),
        }),
    ),
});

interface Counts {
    passed: number;
    failed: number;
    /** One entry for each thing that did not pass, told again at the very end: long logs get cut. */
    why: string[];
}

/** @param log a file that takes what it says, where something else is speaking; left out, it is said at once */
function run(command: string, words: string[], log?: string): Promise<boolean> {
    return new Promise((resolve) => {
        const file = log === undefined ? null : openSync(log, 'w');
        const child = spawn(command, words, {
            cwd: projectRoot(),
            stdio: file === null ? 'inherit' : ['ignore', file, file],
        });
        if (file !== null) closeSync(file);
        child.on('error', () => resolve(false));
        child.on('exit', (code) => resolve(code === 0));
    });
}

async function check(name: string, words: string[]): Promise<Counts> {
    console.log(`\n== ${name}`);
    const ok = await run('npx', ['--no-install', ...words]);
    console.log(ok ? `${name}: ok` : `${name}: FAILED`);
    return { passed: ok ? 1 : 0, failed: ok ? 0 : 1, why: ok ? [] : [name] };
}

/** What did not pass in a report, each with the first lines of its reason. */
function reasons(report: z.infer<typeof Report>): string[] {
    return report.testResults.flatMap((file) => {
        const at = relative(projectRoot(), file.name);
        const tests = file.assertionResults
            .filter((test) => test.status !== 'passed')
            .map(
                (test) => `${at}: ${test.fullName}: ${test.status}\n${indent(test.failureMessages?.join('\n') ?? '')}`,
            );
        return tests.length > 0 || file.status === 'passed' ? tests : [`${at}: ${indent(file.message ?? file.status)}`];
    });
}

function indent(text: string): string {
    return text
        .split('\n')
        .slice(0, 12)
        .map((line) => `    ${line}`)
        .join('\n');
}

/** One project of tests; a skipped test counts as failed, and so does a suite that could not be loaded. */
async function tests(project: string, folder: string, log?: string): Promise<Counts> {
    if (log === undefined) console.log(`\n== tests: ${project}`);
    const report = join(folder, `${project}.json`);
    const words = ['vitest', 'run', '--project', project];
    const reports = ['--reporter=default', '--reporter=json', `--outputFile.json=${report}`];
    const ok = await run('npx', ['--no-install', ...words, ...reports], log);
    try {
        const read = Report.parse(JSON.parse(readFileSync(report, 'utf8')));
        const skipped = read.numPendingTests + read.numTodoTests;
        const failed = read.numFailedTests + skipped;
        if (skipped > 0) console.log(`${skipped} skipped tests count as failed`);
        return {
            passed: read.numPassedTests,
            failed: failed === 0 && !(ok && read.success) ? Math.max(1, read.numFailedTestSuites) : failed,
            why: reasons(read),
        };
    } catch {
        console.log(`${project}: no report was written`);
        return { passed: 0, failed: 1, why: [`${project}: no report was written`] };
    }
}

export async function testCommand(words: string[]): Promise<number> {
    const only = words.filter((word) => !word.startsWith('-'));
    const folder = mkdtempSync(join(tmpdir(), 'edgemap-tests-'));
    const total: Counts = { passed: 0, failed: 0, why: [] };
    const add = (counts: Counts): void => {
        total.passed += counts.passed;
        total.failed += counts.failed;
        total.why.push(...counts.why);
    };
    try {
        const isStatic = only.length === 0 || only.includes('static');
        if (isStatic) add(await check('types', ['svelte-kit', 'sync']));
        const wanted = (project: string): boolean => only.length === 0 || only.includes(project);
        // What waits for servers, databases and a browser goes on beside what computes: both cores are used. Its words
        // are kept until the other has spoken.
        const log = join(folder, 'browser.log');
        const beside = wanted('browser') ? tests('browser', folder, log) : null;
        if (isStatic) {
            add(
                await check('svelte-check', [
                    'svelte-check',
                    '--tsconfig',
                    './tsconfig.json',
                    '--fail-on-warnings',
                    '--output',
                    'human',
                ]),
            );
            add(await check('core types', ['tsc', '-p', 'src/lib/core/tsconfig.json']));
            add(await check('eslint', ['eslint', '.']));
            add(await check('prettier', ['prettier', '--check', '--log-level', 'warn', '.']));
        }
        for (const project of ['unit', 'walls', 'integration']) if (wanted(project)) add(await tests(project, folder));
        if (beside) {
            const counts = await beside;
            console.log(`\n== tests: browser\n${readFileSync(log, 'utf8')}`);
            add(counts);
        }
    } finally {
        rmSync(folder, { recursive: true, force: true });
    }
    if (total.why.length > 0) console.log(`\n== what did not pass\n${total.why.join('\n')}`);
    console.log(`\n${total.passed} passed, ${total.failed} failed`);
    return total.failed === 0 ? EXIT.done : EXIT.noSurvey;
}
