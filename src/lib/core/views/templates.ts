/** What the templates of Reach show: blocks that pages share, and one of them opened. */
import { openTemplate, templateList } from '../areas/template-list.ts';
import { once } from '../kept.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';

const MOST_TEMPLATES = 300;
const MOST_PAGES = 500;
const MOST_LINKS = 200;

/**
 * Needs all parts.
 * @param pages pages of the survey
 * @param name of the template that is open; null for none
 */
export function templatesView(survey: PackedSurvey, pages: number, name: string | null) {
    const { templates } = survey.measured;
    const number = templates.findIndex((item) => item.name === name);
    const open = number === -1 ? null : openTemplate(survey, number, MOST_LINKS);
    const listed = once(survey, 'template list', [], () => templateList(survey, MOST_TEMPLATES));
    return {
        pages,
        total: templates.length,
        templates: listed,
        /** Of those listed, how many hold links to errors. */
        wrong: listed.filter(({ broken }) => broken > 0).length,
        open: open && {
            ...templates[number]!,
            blocks: open.blocks,
            example: open.example,
            links: open.links,
            linkTotal: open.linkTotal,
            pages: open.pages
                .slice(0, MOST_PAGES)
                .map((node) => ({ url: survey.url(node), title: survey.texts('title').at(node) })),
            pageTotal: open.pages.length,
        },
    };
}

export type TemplatesView = ReturnType<typeof templatesView>;
export type OpenTemplate = NonNullable<TemplatesView['open']>;
