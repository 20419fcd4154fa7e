import { once } from '$lib/core/kept.ts';
import { openTemplate, templateList } from '$lib/core/areas/template-list.ts';
import { openArea } from '$lib/server/areas.ts';
import { lookedAt } from '$lib/server/views/looked-at.ts';

const MOST_TEMPLATES = 300;
const MOST_PAGES = 500;
const MOST_LINKS = 200;

export const load = lookedAt(async ({ url, locals }) => {
    const { packed, counts } = await openArea(locals, ['links']);
    const { templates } = packed.measured;
    const number = templates.findIndex((item) => item.name === url.searchParams.get('template'));
    const open = number === -1 ? null : openTemplate(packed, number, MOST_LINKS);
    return {
        pages: counts.pages,
        total: templates.length,
        templates: once(packed, 'template list', [], () => templateList(packed, MOST_TEMPLATES)),
        open: open && {
            ...templates[number]!,
            blocks: open.blocks,
            example: open.example,
            links: open.links,
            linkTotal: open.linkTotal,
            pages: open.pages
                .slice(0, MOST_PAGES)
                .map((node) => ({ url: packed.url(node), title: packed.texts('title').at(node) })),
            pageTotal: open.pages.length,
        },
    };
});
