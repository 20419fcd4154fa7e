/** `edgemap survey`: the same survey as in the application, with its exports. */
import { checkViewIn } from '../src/lib/server/findings.ts';
import { parseArgs } from 'node:util';
import { basename, resolve } from 'node:path';
import { spaceWords, STEP_WORDS, waitWords } from '../src/lib/core/words/progress.ts';
import { noteWords, storedWords } from '../src/lib/core/words/problems.ts';
import { readProblems } from '../src/lib/core/problems/problem.ts';
import { matchList } from '../src/lib/core/areas/list-matches.ts';
import { LIST_KINDS } from '../src/lib/core/evidence/evidence-lists.ts';
import { DEFAULT_ROBOT_WORDS } from '../src/lib/core/evidence/robot-agents.ts';
import type { PackedSurvey } from '../src/lib/core/packed/packed-survey.ts';
import type { Sections } from '../src/lib/core/packed/sections.ts';
import { countPages } from '../src/lib/core/areas/count-pages.ts';
import type { SurveyProgress } from '../src/lib/core/survey/progress.ts';
import type { SurveySettings } from '../src/lib/core/survey/settings.ts';
import { sealSecrets, secretsKey } from '../src/lib/server/access/secret-box.ts';
import { nameOfSite } from '../src/lib/server/access/settings.ts';
import type { Surveys } from '../src/lib/server/baseline.ts';
import { listContext, makeList } from '../src/lib/server/evidence/make-list.ts';
import { readListFile } from '../src/lib/server/evidence/read-list.ts';
import { exportSurvey, prepareExportFolder } from '../src/lib/server/export/export-survey.ts';
import { doSurveyJob, type SurveyJobResult } from '../src/lib/server/jobs/survey-job.ts';
import { ownerName } from '../src/lib/server/jobs/worker-loop.ts';
import { makeAndSavePacked, makePacked } from '../src/lib/server/pack/pack-survey.ts';
import { makeAndSaveWords } from '../src/lib/server/pack/make-words.ts';
import { WordsAhead } from '../src/lib/server/pack/words-ahead.ts';
import { WordIndex } from '../src/lib/core/text/word-index.ts';
import { compileAsUsual, compileLate, keepLittleGarbage } from '../src/lib/server/process/engine.ts';
import { rewriteLine } from '../src/lib/server/process/clean-output.ts';
import { dataFolderPath, openDataFolder } from '../src/lib/server/process/data-folder.ts';
import { holdDatabase } from '../src/lib/server/process/database-process.ts';
import { migrateStore, openStore, whileAway, type Store } from '../src/lib/server/store/connect.ts';
import { giveList, type NewList } from '../src/lib/server/store/evidence-store.ts';
import { LEASE_MILLISECONDS } from '../src/lib/server/store/job-store.ts';
import { siteForStart } from '../src/lib/server/store/site-store.ts';
import {
    createSurvey,
    findSurvey,
    getSurvey,
    resumeSurvey,
    type Survey,
} from '../src/lib/server/store/survey-store.ts';
import { settingOptions, settingsOfCommand } from './survey-options.ts';
import { checkLines, failsOn, failsOnNew, findBaseline, readBaseline, readGates } from './gates.ts';
import { EXIT, UsageError } from './usage.ts';

/** URLs read from which on a survey is one of minutes. */
const MANY = 3_000;

export async function surveyCommand(words: string[]): Promise<number> {
    compileLate();
    let parsed;
    try {
        parsed = parseArgs({
            args: words,
            allowPositionals: true,
            options: {
                data: { type: 'string' },
                export: { type: 'string' },
                settings: { type: 'string' },
                preset: { type: 'string' },
                evidence: { type: 'string', multiple: true },
                knock: { type: 'boolean' },
                'fail-on': { type: 'string', multiple: true },
                'fail-on-new': { type: 'string', multiple: true },
                baseline: { type: 'string' },
                checks: { type: 'string' },
                'go-on': { type: 'string' },
                'robot-word': { type: 'string', multiple: true },
                anyway: { type: 'boolean' },
                ...settingOptions(),
            },
        });
    } catch (error) {
        throw new UsageError((error as Error).message);
    }
    const { values, positionals } = parsed;
    if (values.checks !== undefined) {
        if (values.checks !== 'list') throw new UsageError('--checks takes the word list, and prints every check.');
        console.log(checkLines());
        return EXIT.done;
    }
    const [start, ...more] = positionals;
    if (more.length > 0) throw new UsageError(`One URL at a time; "${more[0]}" is one too many.`);
    const again = values['go-on'] === undefined ? null : readGoOn(values['go-on']);
    if (again !== null && start !== undefined)
        throw new UsageError('A survey that is gone on with has its start page already; leave the URL out.');
    if (again === null && start === undefined && values.settings === undefined)
        throw new UsageError('Say which site: ./edgemap survey https://www.site.example/ --export DIR');
    if (values.export === undefined) throw new UsageError('Say where the exports go: --export DIR');
    const asked =
        again === null
            ? settingsOfCommand({ start, file: values.settings, preset: values.preset, options: values })
            : null;
    const gates = readGates('--fail-on', values['fail-on'] ?? []);
    const gatesOfNew = readGates('--fail-on-new', values['fail-on-new'] ?? []);
    const baselineNumber = readBaseline(values.baseline, gatesOfNew.length > 0);
    if (asked === null && values.evidence !== undefined)
        throw new UsageError('Lists are given to a survey when it begins, or on its page; not with --go-on.');
    const evidence = asked
        ? await readEvidence(values.evidence ?? [], values['robot-word'], asked.settings, values.anyway === true)
        : [];
    const folder = resolve(values.export);
    await prepareExportFolder(folder);

    const data = openDataFolder(dataFolderPath(values.data));
    const hold = await holdDatabase(data, () =>
        console.error('The database had ended; it is up again, the survey goes on.'),
    );
    const stop = new AbortController();
    let stoppedBy: NodeJS.Signals | null = null;
    const onSignal = (name: NodeJS.Signals): void => {
        if (stoppedBy !== null) return;
        stoppedBy = name;
        console.error('\nStopping; what was read is kept.');
        stop.abort();
    };
    process.on('SIGINT', onSignal);
    process.on('SIGTERM', onSignal);
    try {
        await migrateStore(hold.access);
        const store = openStore(hold.access);
        try {
            const lease = { owner: ownerName(), leaseUntil: Date.now() + LEASE_MILLISECONDS };
            let survey: Survey;
            let before: Survey | null = null;
            if (again !== null) before = await findBaseline(store.db, again.site, baselineNumber);
            if (asked === null) survey = await takeUp(store, again!, lease);
            else {
                const sealed = sealSecrets(secretsKey(data.path), asked.secrets);
                const site = await siteForStart(store.db, nameOfSite(asked.settings.start), asked.settings, sealed);
                before = await findBaseline(store.db, site.id, baselineNumber);
                survey = await createSurvey(store.db, site.id, asked.settings, {
                    ...lease,
                    secrets: sealed,
                    knock: values.knock === true,
                });
                for (const item of evidence) await giveList(store.db, survey.id, item);
            }
            const { settings } = survey;
            console.error(`Surveying ${settings.start} (survey ${survey.siteId}/${survey.number})`);
            const progress = progressLine();
            const ahead = new WordsAhead(hold.access, survey.id);
            let result: SurveyJobResult;
            let broke = '';
            try {
                result = await doSurveyJob({
                    store,
                    folder: data.path,
                    surveyId: survey.id,
                    owner: ownerName(),
                    stop: stop.signal,
                    onProgress: (told) => {
                        progress.show(told);
                        ahead.getReady(told.read);
                        if (told.read >= MANY) {
                            compileAsUsual();
                            keepLittleGarbage();
                        }
                    },
                    log: (line) => console.error(`\n${line}`),
                });
            } catch (error) {
                broke = (error as Error).message;
                result = { ended: false };
            }
            progress.done();
            const isLaidAside = result.ended && result.state === 'paused';
            if (!result.ended) {
                const why = broke || 'another worker took it over';
                console.error(`The survey ended early: ${why}. What was stored is kept in ${data.path}.`);
            } else if (isLaidAside) {
                console.error(
                    `The survey was laid aside. ${storedWords(result.trouble)}\nGo on with it: ./edgemap survey --go-on ${survey.siteId}/${survey.number} --export ${values.export}`,
                );
            }
            // A database that stayed away for minutes is not waited for once more.
            const patience = broke === '' ? undefined : 5_000;
            let ended: Survey | null;
            let packed: PackedSurvey;
            let words: Promise<Sections> | null = null;
            try {
                ended = await whileAway(() => getSurvey(store.db, survey.id), patience);
                if (!ended) throw new Error('the survey vanished');
                const last = ended;
                const make = result.ended && !isLaidAside ? makeAndSavePacked : makePacked;
                const packing = whileAway(() => make(store.db, last), patience);
                // What was laid aside has no words yet: they are gathered when a survey ends, in a thread while links are written.
                if (make === makeAndSavePacked) words = ahead.made(packing);
                else ahead.drop();
                packed = (await packing).survey;
            } catch (error) {
                if (broke === '') throw error;
                console.error(
                    'The database is still away, so nothing was exported. Start again to go on with this survey.',
                );
                return EXIT.endedEarly;
            }
            const surveys: Surveys = {
                db: store.db,
                open: async (of) => (of.id === survey.id ? packed : (await makeAndSavePacked(store.db, of)).survey),
                words: async (of) => {
                    if (words === null) return null;
                    if (of.id !== survey.id) return new WordIndex(await makeAndSaveWords(store.db, of));
                    return new WordIndex(await words);
                },
            };
            const whole = checkViewIn(surveys, ended);
            const summary = await exportSurvey(store.db, folder, ended, { packed, whole });
            const view = await whole;
            const counts = countPages(packed);
            if (!result.ended || isLaidAside) {
                console.error(`${counts.read} URLs were read; they are in ${folder}.`);
                return EXIT.endedEarly;
            }
            if (result.state === 'failed') {
                console.error(`Could not survey ${settings.start}: ${storedWords(result.trouble)}`);
                return EXIT.noSurvey;
            }
            printSummary(
                counts,
                summary.links,
                folder,
                ended.cut,
                packed.head.files
                    .filter((file) => file.kind === 'sitemap' && file.status === 200)
                    .map((file) => `${file.url}: ${noteWords(readProblems(file.note))}`),
            );
            for (const item of evidence) console.log(evidenceLine(item, packed));
            if (stoppedBy === 'SIGINT') return EXIT.interrupted;
            if (stoppedBy !== null || result.state !== 'finished') return EXIT.endedEarly;
            let failed = false;
            const now = { survey: ended, view };
            for (const gate of gates) failed = (await failsOn(surveys, gate, now)) || failed;
            if (before) {
                const then = { survey: before, view: await checkViewIn(surveys, before) };
                for (const gate of gatesOfNew) failed = (await failsOnNew(surveys, gate, now, then)) || failed;
            }
            return failed ? EXIT.found : EXIT.done;
        } finally {
            await store.close();
        }
    } finally {
        await hold.release();
        process.off('SIGINT', onSignal);
        process.off('SIGTERM', onSignal);
    }
}

/** `SITE/SURVEY`, the numbers in the address of a survey's page. */
function readGoOn(text: string): { site: number; number: number } {
    const [, site, number] = /^(\d{1,9})\/(\d{1,9})$/.exec(text) ?? [];
    if (site === undefined)
        throw new UsageError(
            `--go-on takes the numbers of a site and of its survey, for example 1/3; "${text}" is none.`,
        );
    return { site: Number(site), number: Number(number) };
}

/** Takes up a survey that was laid aside or ended early. */
async function takeUp(
    { db }: Store,
    of: { site: number; number: number },
    lease: { owner: string; leaseUntil: number },
): Promise<Survey> {
    const survey = await findSurvey(db, of.site, of.number);
    if (!survey) throw new UsageError(`--go-on: there is no survey ${of.site}/${of.number} in this data folder.`);
    if (!(await resumeSurvey(db, survey.id, { lease })))
        throw new UsageError(`--go-on: survey ${of.site}/${of.number} is under way already.`);
    return (await getSurvey(db, survey.id))!;
}

/** Reads `KIND=FILE` lists before anything is surveyed, so that a wrong one costs no survey. */
async function readEvidence(
    given: string[],
    robotWords: string[] | undefined,
    settings: SurveySettings,
    anyway: boolean,
): Promise<NewList[]> {
    const imports: NewList[] = [];
    for (const text of given) {
        const [, kind = '', path = ''] = /^([a-z]+)=(.+)$/s.exec(text) ?? [];
        const known = LIST_KINDS.find((item) => item === kind);
        if (!known) {
            throw new UsageError(
                `--evidence takes KIND=FILE with one of ${LIST_KINDS.join(', ')}, for example --evidence log=access.log; "${text}" is none.`,
            );
        }
        const read = await readListFile(resolve(path), known, listContext(settings), robotWords ?? DEFAULT_ROBOT_WORDS);
        if (!read.ok) throw new UsageError(`--evidence ${known}: ${read.say}`);
        if (read.read.doubt !== '' && !anyway) {
            throw new UsageError(
                `--evidence ${known}: ${basename(path)} may not be what it is taken for: ${read.read.doubt} Give --anyway to take it all the same.`,
            );
        }
        imports.push(makeList(known, basename(path), read.read));
    }
    return imports;
}

/** What became of a list: how much of it was read, and what matches nothing. */
function evidenceLine({ kind, name, outcome, rows }: NewList, packed: PackedSurvey): string {
    const number = (value: number): string => value.toLocaleString('en');
    const { read, notRead, unmatched } = matchList(packed, rows);
    const bad = outcome.bad === 0 ? '' : `, ${number(outcome.bad)} lines could not be read`;
    return `Evidence ${kind}, ${name}: ${number(outcome.rows)} addresses, ${number(read)} read, ${number(notRead)} not read, ${number(unmatched.length)} match nothing${bad}`;
}

/** Progress on standard error: one line that is written over in a terminal, a line now and then elsewhere. */
function progressLine(): { show: (progress: SurveyProgress) => void; done: () => void } {
    const isTerminal = process.stderr.isTTY;
    let last = 0;
    let hasWarned = false;
    return {
        show(progress) {
            const now = Date.now();
            if (progress.warning && !hasWarned) {
                hasWarned = true;
                console.error(`${isTerminal ? '\n' : ''}${spaceWords(progress.warning)}`);
            }
            if (!isTerminal && now - last < 2_000) return;
            last = now;
            const level = progress.level === null ? 'beside links' : `level ${progress.level}`;
            const line = `${progress.read} read of ${progress.found} found, ${progress.rate} a second, ${level}; ${STEP_WORDS[progress.doing]}${progress.waiting ? `; ${waitWords(progress.waiting)}` : ''}`;
            if (isTerminal) rewriteLine(line);
            else console.error(line);
        },
        done() {
            if (isTerminal) rewriteLine('');
        },
    };
}

function printSummary(
    counts: ReturnType<typeof countPages>,
    links: number,
    folder: string,
    cut: string[],
    sitemaps: string[],
): void {
    const number = (value: number): string => value.toLocaleString('en');
    const lines = [
        `${number(counts.known)} URLs known, ${number(counts.read)} read, ${number(counts.pages)} of them pages (200, HTML)`,
        `${number(counts.reached)} pages reached by links, ${counts.meanDepth === null ? '' : `mean depth ${counts.meanDepth.toFixed(1)}, `}deepest ${counts.depths.length - 1}`,
        counts.orphans === null
            ? `Orphans are not known: the survey is partial (${cut.join(', ')})`
            : `${number(counts.orphans.all)} orphans: ${number(counts.orphans.strict)} strict, ${number(counts.orphans.adrift)} adrift; ${number(counts.orphans.indexable)} indexable`,
        `${number(counts.indexable)} indexable; stopped at ${
            Object.entries(counts.byGate)
                .filter(([gate, urls]) => gate !== 'indexable' && urls > 0)
                .map(([gate, urls]) => `${gate} ${number(urls)}`)
                .join(', ') || 'no gate'
        }`,
        ...(sitemaps.length === 0
            ? ['No sitemap could be read, so pages that no link reaches could not be looked for']
            : sitemaps.map((line) => `Sitemap ${line}`)),
        `${number(links)} distinct links written with the pages to ${folder}`,
    ];
    console.log(lines.join('\n'));
}
