/** Where a worker's journeys go: every worker has a site of its own, with a database of its own. Folder, port and database port of each. */
const told = (process.env.SITES ?? '.run|8800|8854').split('|');
const sites = Array.from({ length: told.length / 3 }, (_, i) => told.slice(3 * i, 3 * i + 3));

export const many = sites.length;

const [run, port, database] = sites[Number(process.env.TEST_PARALLEL_INDEX ?? 0) % many] ?? [];

export const address = `http://127.0.0.1:${port}`;

/** For the project's own commands. */
export const environment = {
    ...process.env,
    PEBBLERUN_RUN: run,
    PEBBLERUN_PORT: port,
    PEBBLERUN_DB_PORT: database,
};
