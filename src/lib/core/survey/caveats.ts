/**
 * What was not read to its end in a survey that is complete all the same: nothing was left out, but some of what was
 * asked for could not be taken in whole.
 */
import type { FactName } from '../packed/column-names.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';

/** Begins the note of a sitemap that stands for all those beyond the limit. */
export const FILES_LEFT = 'not read, as one of';

/**
 * The caveats of a survey, as sentence parts; none where everything was read whole. Needs the parts `core` and `text`.
 * O(nodes)
 */
export function caveatsOf(survey: PackedSurvey): string[] {
    const status = survey.numbers('status');
    const failures = isSaid(survey, 'failure');
    const troubles = isSaid(survey, 'body_trouble');
    let givenUp = 0;
    let cut = 0;
    for (let node = 0; node < survey.count; node++) {
        if (status[node] === 0) continue;
        // A URL that answered and failed all the same is a document that could not be read.
        if (failures(node)) givenUp++;
        else if (troubles(node)) cut++;
    }
    const said: string[] = [];
    if (givenUp > 0) {
        said.push(
            `${counted(givenUp, 'document was', 'documents were')} given up, because reading took too long or broke off: links on ${givenUp === 1 ? 'it' : 'them'} are not known`,
        );
    }
    if (cut > 0) {
        said.push(
            `${counted(cut, 'body', 'bodies')} did not arrive whole, or ${cut === 1 ? 'was' : 'were'} longer than the limit: what stood behind the cut is not known`,
        );
    }
    for (const { kind, note, url } of survey.head.files) {
        if (kind === 'sitemap' && note.startsWith(FILES_LEFT)) said.push(`sitemaps from ${url} on were ${note}`);
    }
    return said;
}

/** Whether a node has a text in a column of which many are the same. */
function isSaid(survey: PackedSurvey, name: FactName): (node: number) => boolean {
    return (node) => survey.word(name, node) !== '';
}

function counted(count: number, one: string, many: string): string {
    return `${count.toLocaleString('en')} ${count === 1 ? one : many}`;
}
