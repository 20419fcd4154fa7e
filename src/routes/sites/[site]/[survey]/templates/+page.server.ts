import { error } from '@sveltejs/kit';
import { templatesOf } from '$lib/core/survey/templates.ts';
import { findRoute, isEarlier, NEEDS_ROWS, openSurvey } from '$lib/server/app.ts';

const MOST_TEMPLATES = 300;
const MOST_PAGES = 500;
const MOST_LINKS = 200;

export async function load({ params, url }) {
    const found = await findRoute(params);
    if (!found) error(404, 'There is no such survey.');
    if (isEarlier(found.survey)) error(404, NEEDS_ROWS);
    const { measured, counts } = await openSurvey(found.survey);
    const templates = templatesOf(measured);
    const open = templates.find((item) => item.name === url.searchParams.get('template')) ?? null;
    const title = (node: number): string => measured.pages[node]?.title ?? '';
    return {
        pages: counts.pages,
        total: templates.length,
        templates: templates.slice(0, MOST_TEMPLATES).map((item) => ({
            name: item.name,
            region: item.region,
            place: item.place,
            blocks: item.blocks.length,
            pages: item.pages.length,
            links: item.links.length,
            broken: item.broken,
            first: item.links
                .map((link) => link.anchor)
                .filter((anchor) => anchor !== '')
                .slice(0, 4),
        })),
        open: open && {
            name: open.name,
            region: open.region,
            place: open.place,
            blocks: open.blocks.length,
            example: { ...open.example, url: measured.urls[open.example.node]! },
            links: open.links.slice(0, MOST_LINKS),
            linkTotal: open.links.length,
            pages: open.pages
                .slice(0, MOST_PAGES)
                .map((node) => ({ node, url: measured.urls[node]!, title: title(node) })),
            pageTotal: open.pages.length,
        },
    };
}
