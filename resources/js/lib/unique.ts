/** A name that nobody else gives; plain http has no randomUUID. */
export function unique(bytes: number): string {
    return [...crypto.getRandomValues(new Uint8Array(bytes))]
        .map((byte) => byte.toString(16).padStart(2, '0'))
        .join('');
}
