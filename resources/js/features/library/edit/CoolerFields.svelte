<script lang="ts">
    import Num from './Num.svelte';
    import Pick from './Pick.svelte';
    import { at, isTypical, put, type Entry } from './paths';

    /** A charge cooler by its core, of which the rest is typical, or by its figures. */
    type Props = { entry: Entry; path: string };
    let { entry, path }: Props = $props();
    const cores = [
        ['bar-and-plate', 'bar and plate'],
        ['tube-and-fin', 'tube and fin'],
        ['water', 'water-cooled'],
    ] as const;
    const figures = ['effectiveness', 'capacity_kj_k', 'ua_w_k', 'flow_kg_s'];
    // Who knows the core knows better than what is typical of any.
    $effect(() => {
        if (at(entry, `${path}.core.kind`) === undefined) return;
        for (const figure of figures)
            if (isTypical(entry, `${path}.${figure}`)) put(entry, `${path}.${figure}`, undefined);
    });
</script>

<Pick {entry} path="{path}.core.kind" label="Cooler’s core" none="not said" options={cores} />
<Num {entry} path="{path}.core.width_mm" label="Width" unit="mm" />
<Num {entry} path="{path}.core.height_mm" label="Height" unit="mm" />
<Num {entry} path="{path}.core.depth_mm" label="Depth" unit="mm" />
<Num {entry} path="{path}.effectiveness" label="or: efficiency" percent />
<Num {entry} path="{path}.capacity_kj_k" label="stores" unit="kJ/K" />
<Num {entry} path="{path}.ua_w_k" label="gives off" unit="W/K" />
<Num {entry} path="{path}.flow_kg_s" label="at" unit="kg/s" />
