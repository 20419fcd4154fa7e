// Times of proposals at the server with its database, from a running application: the first that are shown for one
// target, all of them, and a run through many targets. See bench/orphan-site.mjs for a site to try it on.
//     node bench/proposal-times.mjs http://127.0.0.1:4300 SITE SURVEY [SET] [MOST]
const [address = 'http://127.0.0.1:4300', site = '1', survey = '1', set = 'orphan and indexable', most = '20'] =
    process.argv.slice(2);
const api = `${address}/api/v1/sites/${site}/surveys/${survey}`;
const HEADERS = { origin: address, 'content-type': 'application/json' };

async function timed(path, asked = {}) {
    const began = performance.now();
    const answer = await fetch(`${api}/${path}`, { headers: HEADERS, ...asked });
    const body = await answer.json();
    if (!answer.ok) throw new Error(body.message);
    return { took: performance.now() - began, body };
}
const told = (all) => {
    const sorted = [...all].sort((a, b) => a - b);
    return `${sorted[sorted.length >> 1].toFixed(0)} ms, at most ${sorted.at(-1).toFixed(0)}`;
};

const { body: some } = await timed(`pages?set=${encodeURIComponent(set)}&count=1`);
console.log(`${some.total.toLocaleString('en')} targets: ${set}`);
const targets = [];
for (let at = 0; at < Number(most); at++) {
    const from = Math.floor((some.total / Number(most)) * at);
    const { body } = await timed(`pages?set=${encodeURIComponent(set)}&from=${from}&count=1`);
    targets.push(body.rows[0].url);
}
const times = { plain: [], first: [], all: [] };
let sentences = 0;
for (const url of targets) {
    const of = encodeURIComponent(url);
    times.plain.push((await timed('pages?count=40')).took);
    times.first.push((await timed(`proposals?for=${of}&first`)).took);
    const { took, body } = await timed(`proposals?for=${of}`);
    times.all.push(took);
    sentences += body.proposals.length;
}
const [opening, ...rest] = times.first;
const middle = (all) => [...all].sort((a, b) => a - b)[all.length >> 1];
console.log(`the very first, with opening the survey and its words: ${opening.toFixed(0)} ms`);
console.log(`first proposals of a target: ${told(rest)}`);
console.log(
    `all proposals of it, after those: ${told(times.all.slice(1))}; ${sentences} sentences for ${targets.length} targets`,
);
console.log(`ratio, first proposals to a window of forty pages: ${(middle(rest) / middle(times.plain)).toFixed(1)}`);

await timed('proposal-run', { method: 'POST', body: JSON.stringify({ set }) });
const began = performance.now();
for (;;) {
    await new Promise((resolve) => setTimeout(resolve, 1_000));
    const { body } = await timed('proposal-run');
    if (body.state === 'waiting' || body.state === 'running') {
        if ((performance.now() - began) / 1000 < 120) continue;
        await timed('proposal-run', { method: 'DELETE' });
    }
    const seconds = (performance.now() - began) / 1000;
    console.log(
        `a run through ${body.targets.toLocaleString('en')} targets: ${body.done.toLocaleString('en')} in ${seconds.toFixed(0)} s, ${((seconds * 1000) / Math.max(1, body.done)).toFixed(0)} ms each; ${body.withSentences.toLocaleString('en')} have a sentence (${body.state})`,
    );
    break;
}
