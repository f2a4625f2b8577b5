/** JSON requests to our own server. */
import { unique } from './unique';

/** The server answered, and said no. */
export class Refusal extends Error {
    constructor(
        readonly status: number,
        message: string,
        readonly body: Record<string, unknown>,
    ) {
        super(message);
    }
}

/** Nobody is signed in any more; the page is on its way to the sign-in. */
export class SignedOut extends Error {}

/** The server could not be reached. */
export class Offline extends Error {}

/** Whether the server may well say something else to the same request later. */
export function passes(fault: unknown): boolean {
    return !(fault instanceof Refusal) || fault.status >= 500 || fault.status === 429 || fault.status === 408;
}

/** How long to wait before the same is sent again, in ms: twice as long each time. */
export function pause(failures: number): number {
    return Math.min(30_000, 4000 * 2 ** failures);
}

function token(): string {
    const cookie = document.cookie.split('; ').find((one) => one.startsWith('XSRF-TOKEN='));
    return cookie ? decodeURIComponent(cookie.slice('XSRF-TOKEN='.length)) : '';
}

async function send<T>(method: string, url: string, body?: unknown): Promise<T> {
    let response: Response;
    try {
        response = await fetch(url, {
            method,
            credentials: 'same-origin',
            headers: {
                Accept: 'application/json',
                // A form names its own, with what parts it.
                ...(body instanceof FormData
                    ? {}
                    : {
                          'Content-Type':
                              body instanceof Blob ? 'application/octet-stream' : 'application/json',
                      }),
                'X-Requested-With': 'XMLHttpRequest',
                'X-XSRF-TOKEN': token(),
            },
            body:
                body === undefined || body instanceof Blob || body instanceof FormData
                    ? body
                    : JSON.stringify(body),
        });
    } catch {
        throw new Offline('No answer from the shop’s server.');
    }
    const answer = (await response.json().catch(() => ({}))) as Record<string, unknown>;
    if (response.ok) return answer as T;
    // A gateway without its server behind it is as good as no answer; our own server says what it waits for.
    if ([502, 503, 504].includes(response.status))
        throw new Offline(
            typeof answer.message === 'string' ? answer.message : 'The shop’s server is not there.',
        );
    if (response.status === 401 || response.status === 419) {
        location.assign('/sign-in');
        throw new SignedOut('Sign in again.');
    }
    const message =
        typeof answer.message === 'string' && response.status < 500
            ? answer.message
            : `The shop’s server is in trouble (${response.status}).`;
    throw new Refusal(response.status, message, answer);
}

export const get = <T>(url: string) => send<T>('GET', url);
export const post = <T>(url: string, body: unknown) => send<T>('POST', url, body);
/** Names of what was sent and not answered, by what it was. */
const unsure = new Map<string, string>();
/** What is done once: sent again because no answer came, it has the name that it had. */
export async function postOnce<T>(url: string, body: object): Promise<T> {
    const what = `${url} ${JSON.stringify(body)}`;
    const request = unsure.get(what) ?? unique(16);
    unsure.set(what, request);
    try {
        const answer = await post<T>(url, { ...body, request });
        unsure.delete(what);
        return answer;
    } catch (fault) {
        if (!passes(fault)) unsure.delete(what);
        throw fault;
    }
}
/** A file as it is, or several in a form; not as JSON. */
export const sendFile = <T>(url: string, file: Blob | FormData) => send<T>('POST', url, file);
export const drop = <T>(url: string, body?: unknown) => send<T>('DELETE', url, body);
export const put = <T>(url: string, body: unknown) => send<T>('PUT', url, body);
