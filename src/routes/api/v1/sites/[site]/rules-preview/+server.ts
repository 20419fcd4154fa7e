import { error, json } from '@sveltejs/kit';
import { previewUrlRules } from '$lib/core/address/url-rules.ts';
import { readForm, settingsOfForm } from '$lib/server/access/forms.ts';
import { appStore, openPacked } from '$lib/server/app.ts';
import { getSite } from '$lib/server/store/site-store.ts';
import { listSurveys } from '$lib/server/store/survey-store.ts';

/** What the URL rules of a settings form would merge among the URLs of the site's last survey. */
export async function POST({ params, request }) {
    const { db } = appStore();
    const site = Number.isInteger(Number(params.site)) ? await getSite(db, Number(params.site)) : null;
    const survey = site && (await listSurveys(db, site.id)).find((item) => item.settings.spot === null);
    if (!survey) error(404, 'There is no survey to preview the rules on.');
    const read = settingsOfForm(readForm(await request.formData()));
    if (!read.ok) {
        const message = 'The preview could not be made. Look at what is marked above.';
        return json({ message, troubles: read.troubles }, { status: 400 });
    }
    const packed = await openPacked(survey);
    return json({
        survey: survey.number,
        known: packed.count,
        previews: previewUrlRules(packed.texts('url').all(), read.settings),
    });
}
