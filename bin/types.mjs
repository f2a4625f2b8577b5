// Writes the page's types from the schemas: `npm run types`. Everything the server answers is in one file.
import { compile } from 'json-schema-to-typescript';
import { mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';

const target = 'resources/js/generated';
const read = (file) => readFileSync(`schemas/${file}`, 'utf8');

// As one document, so that what a page is answered is called as its schema is.
const own = (text) => text.replaceAll(/"(?:answers\/)?\w+\.json#\/\$defs/g, '"#/$defs');
const answers = JSON.parse(own(read('answers.json')));
answers.$defs = Object.assign(
    {},
    ...readdirSync('schemas/answers').map(
        (file) => JSON.parse(own(read(`answers/${file}`)).replaceAll('"../', '"')).$defs,
    ),
);

mkdirSync(target, { recursive: true });
const types = await compile(answers, 'Answers', {
    cwd: 'schemas',
    declareExternallyReferenced: true,
    // How long a list may be is for the server to say; as types, bounds are tuples without end.
    ignoreMinAndMaxItems: true,
    style: { singleQuote: true, tabWidth: 4 },
});
writeFileSync(`${target}/answers.ts`, types);
