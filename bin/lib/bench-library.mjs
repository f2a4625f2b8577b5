// Finding something and walking the shelf, with few parts and with many.
import { Client, median } from './client.mjs';

const [, , base, label] = process.argv;
const client = new Client(base);
await client.signIn('ines@saltmarsh.test', 'tide-and-stone');

const looks = ['panel', 'fjell filt', 'dyno tune', 'downpipe 76', 'gasket 44', 'skarn', 'pump'];
const slips = ['fjelvent panle', 'corvan lire'];
const { platforms } = await client.page('/library');
const lyre = platforms.find(({ name }) => name.startsWith('Corvane')).id;
const page = await median(80, () => client.ask('GET', '/me'));
const found = await median(140, (i) =>
    client.ask('GET', `/search?q=${encodeURIComponent(looks[i % looks.length])}`),
);
const slipped = await median(60, (i) =>
    client.ask('GET', `/search?q=${encodeURIComponent(slips[i % slips.length])}`),
);
const shelf = await median(40, () => client.page(`/library/${lyre}`));
console.log(
    `${label}: found ${found.toFixed(1)} ms, with a slip ${slipped.toFixed(1)} ms, the shelf ${shelf.toFixed(1)} ms (a trivial page ${page.toFixed(1)} ms)`,
);
