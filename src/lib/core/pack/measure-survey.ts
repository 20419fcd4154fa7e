/** The measures of a packed survey: worked out of its facts, whatever version of the program packed those. */
import { MEASURE_COLUMNS } from '../columns/measure-columns.ts';
import { templateHolds } from '../measures/held-by-template.ts';
import { linkCounts } from '../measures/link-counts.ts';
import { siteLeak } from '../measures/standing.ts';
import { blockTemplates } from '../measures/templates.ts';
import { modelOf } from '../packed/model-of.ts';
import { MEASURES_VERSION, type MeasuresHead, type PackedSurvey } from '../packed/packed-survey.ts';
import type { Sections } from '../packed/sections.ts';
import { PartMaker } from './part-maker.ts';

/** Needs all parts of facts; adds the measures to the survey and gives them as a part. O(measures of the graph). */
export function measureSurvey(survey: PackedSurvey): Sections {
    const model = modelOf(survey);
    const part = new PartMaker();
    for (const { id, form, of } of MEASURE_COLUMNS) {
        if (form === 'fractions') part.fractions(id, Float64Array.from(of(model)));
        else part.numbers(id, of(model));
    }
    const { templates, of } = blockTemplates(model);
    const holds = templateHolds(model);
    part.numbers('block_pages', linkCounts(model).blockPages);
    part.numbers('block_template', of);
    const head: MeasuresHead = {
        measures: MEASURES_VERSION,
        templates: templates.map(({ name, region, place, pages }, number) => ({
            name,
            region,
            place,
            pages,
            holds: holds[number]!,
        })),
        leak: siteLeak(model),
    };
    survey.addMeasures(part.columns, head);
    return { head, columns: part.columns };
}
