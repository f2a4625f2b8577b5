// A browser's worth of HTTP for what measures and tries the server: keeps cookies, signs in, sends documents.
import { randomBytes } from 'node:crypto';

export const named = () => randomBytes(16).toString('hex');

export class Client {
    #cookies = {};

    constructor(base) {
        this.base = base;
    }

    /** The answer as it is, whatever its status; throws only where none came. */
    async send(method, path, body) {
        const response = await fetch(this.base + path, {
            method,
            redirect: 'manual',
            headers: {
                Accept: 'application/json',
                // A form names itself.
                ...(body instanceof URLSearchParams ? {} : { 'Content-Type': 'application/json' }),
                Origin: this.base,
                Cookie: Object.entries(this.#cookies)
                    .map(([name, value]) => `${name}=${value}`)
                    .join('; '),
                'X-XSRF-TOKEN': decodeURIComponent(this.#cookies['XSRF-TOKEN'] ?? ''),
            },
            body: body instanceof URLSearchParams ? body : body && JSON.stringify(body),
            signal: AbortSignal.timeout(60_000),
        });
        for (const line of response.headers.getSetCookie()) {
            const [pair] = line.split(';');
            const at = pair.indexOf('=');
            this.#cookies[pair.slice(0, at)] = pair.slice(at + 1);
        }
        return { status: response.status, text: await response.text() };
    }

    async ask(method, path, body) {
        const { status, text } = await this.send(method, path, body);
        if (status >= 400) throw new Error(`${method} ${path}: ${status} ${text.slice(0, 300)}`);
        return text;
    }

    async signIn(email, password) {
        await this.ask('GET', '/sign-in');
        await this.ask('POST', '/sign-in', new URLSearchParams({ email, password }));
        return this;
    }

    /** Another one who is signed in as the same. */
    sameCookies() {
        const other = new Client(this.base);
        other.#cookies = { ...this.#cookies };
        return other;
    }

    /** What a page shows, as its document. */
    async page(path) {
        const found = /data-page="([^"]*)"|<script data-page[^>]*>([^<]*)</.exec(await this.ask('GET', path));
        return JSON.parse(
            (found[1] ?? found[2])
                .replaceAll('&quot;', '"')
                .replaceAll('&amp;', '&')
                .replaceAll('&#039;', "'"),
        ).props;
    }
}

/** ms that a run takes: the middle one of many, the first quarter left out. */
export async function median(times, run) {
    const taken = [];
    for (let i = 0; i < times; i++) {
        const start = performance.now();
        await run(i);
        if (i >= times / 4) taken.push(performance.now() - start);
    }
    taken.sort((a, b) => a - b);
    return taken[Math.floor(taken.length / 2)];
}
