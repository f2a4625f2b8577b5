/** JSON requests to our own server. */

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

/** The server could not be reached. */
export class Offline extends Error {}

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
                'Content-Type': 'application/json',
                'X-Requested-With': 'XMLHttpRequest',
                'X-XSRF-TOKEN': token(),
            },
            body: body === undefined ? undefined : JSON.stringify(body),
        });
    } catch {
        throw new Offline('No answer from the shop’s server.');
    }
    const answer = (await response.json().catch(() => ({}))) as Record<string, unknown>;
    if (response.ok) return answer as T;
    if (response.status === 401 || response.status === 419) location.assign('/sign-in');
    const message =
        typeof answer.message === 'string' ? answer.message : `The server answered ${response.status}.`;
    throw new Refusal(response.status, message, answer);
}

export const get = <T>(url: string) => send<T>('GET', url);
export const post = <T>(url: string, body: unknown) => send<T>('POST', url, body);
export const drop = <T>(url: string) => send<T>('DELETE', url);
export const put = <T>(url: string, body: unknown) => send<T>('PUT', url, body);
