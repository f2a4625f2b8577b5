/** What fields of the library's documents are called on its pages, by their key; lists by what one of them is called. */
const LABELS: Record<string, string> = {
    name: 'Name',
    maker: 'Maker',
    slot: 'Of',
    slots: 'Slot',
    gains: 'Gain',
    power: 'Power',
    torque: 'Torque',
    when: 'When fitted with',
    over_rpm: 'Figures by rpm',
    rpm: 'rpm',
    reference: 'On a build of',
    peaks: 'Peaks',
    power_rpm: 'Power peak moves to',
    at_ethanol: 'Measured on ethanol',
    unmapped: 'Gain untuned',
    evidence: 'Rests on',
    kind: 'Kind',
    note: 'Note',
    limits: 'Limit',
    quantity: 'In',
    safe: 'Safe to',
    edge: 'Breaks at',
    consequence: 'What happens past it',
    ceilings: 'Runs out at',
    value: 'Value',
    fuel_system: 'Pump or injector',
    supplies: 'Pump or injector',
    flow_cc_min: 'Each, cc/min',
    flow_l_h: 'Flow, L/h',
    volume_cc: 'Per rev, cc',
    rated_bar: 'Rated at, bar',
    rail_bar: 'Rail, bar',
    count: 'Count',
    requires: 'Need',
    recommends: 'Goes with',
    conflicts: 'Does not go with',
    that: 'It needs',
    reason: 'Because',
    price: 'Price',
    new: 'New',
    used: 'Used',
    consumables: 'Consumables',
    resale: 'Trade-in value',
    hours: 'To fit',
    access_hours: 'of them for access',
    access_group: 'Remove first',
    lead_days: 'Lead time',
    warranty: 'Maker’s warranty',
    fits: 'Fits',
    years: 'Model years',
    from: 'from',
    to: 'to',
    map: 'Map',
    dyno_hours: 'On the dyno',
    revision_dyno_hours: 'Retune',
    ethanol_max: 'Ethanol at most',
    effects: 'What it changes',
    cooler: 'Cooler',
    effectiveness: 'efficiency',
    compressor: 'Compressor',
    efficiency: 'efficiency',
    air: 'Boost and charge air',
    compressor_efficiency: 'Compressor efficiency',
    baseline: 'Curve of the stock car',
    baselines: 'Curve',
    points: 'Point',
    engine: 'Engine',
    aspiration: 'Aspiration',
    displacement: 'Displacement',
    octane: 'Octane',
    rev_limit: 'Rev limit',
    mass: 'Mass',
    claimed: 'Factory claims',
    boost: 'Boost',
    families: 'Family',
    ceiling_percent: 'Gives at most',
    lanes: 'Lane',
    lane: 'Lane',
    family: 'Family',
    law: 'Law',
    sound: 'Sound',
    year_changes: 'Model years that differ',
};

const label = (key: string) => LABELS[key] ?? key.replaceAll('_', ' ');

/** "limits[0].safe" as its page calls it: "Limit 1, Safe to". */
export function placed(path: string): string {
    return path
        .split('.')
        .map((step) => {
            const [, key = step, at] = /^(\w+)(?:\[(\d+)\])?/.exec(step) ?? [];
            return at === undefined ? label(key) : `${label(key)} ${Number(at) + 1}`;
        })
        .join(', ');
}

/** A fault's words with the fields that it names called as on the page. */
export function worded(message: string): string {
    return message.replace(/"([a-z_]+)"/g, (whole, key: string) => (LABELS[key] ? `“${label(key)}”` : whole));
}
