import { createInertiaApp } from '@inertiajs/svelte';
import type { Component } from 'svelte';
import { applyTheme } from '@/lib/theme.svelte';

applyTheme();

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
