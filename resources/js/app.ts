import { createInertiaApp, router } from '@inertiajs/svelte';
import type { Component } from 'svelte';
import { attend, keys } from '@/lib/keys';
import { applyTheme } from '@/lib/theme.svelte';

applyTheme();
attend();
router.on('start', ({ detail }) => detail.visit.preserveState !== true && keys.leave());
router.on('finish', ({ detail }) => detail.visit.preserveState !== true && keys.begin());

createInertiaApp({
    title: (title) => (title ? `${title} · Pebblerun` : 'Pebblerun'),
    resolve: (name) => {
        const pages = import.meta.glob<{ default: Component }>('./pages/*.svelte');
        const load = pages[`./pages/${name}.svelte`];
        if (!load) throw new Error(`There is no page ${name}.`);
        return load();
    },
    progress: false,
});
