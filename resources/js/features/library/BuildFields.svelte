<script lang="ts" module>
    /** On what build something was found; what nobody said is left out. */
    export const noBuild = () => ({
        fuel: '',
        map_sound: '' as '' | boolean,
        map_by: '',
        used_on: '',
        km: undefined as number | undefined,
        hard_percent: undefined as number | undefined,
    });
    export type Build = ReturnType<typeof noBuild>;

    /** As it is sent. */
    export const sentBuild = (build: Build) =>
        Object.fromEntries(Object.entries(build).filter(([, value]) => value !== '' && value !== undefined));
</script>

<script lang="ts">
    import Field from '@/ui/Field.svelte';
    import Figure from '@/ui/Figure.svelte';
    import type { Choice } from '@/generated/answers';

    type Props = { build: Build; fuels: Choice[] };
    let { build = $bindable(), fuels }: Props = $props();
</script>

<Field label="On"
    ><select class="field" bind:value={build.fuel}
        ><option value="">fuel not known</option>{#each fuels as { key, words } (key)}<option value={key}
                >{words}</option
            >{/each}</select
    ></Field
>
<Field label="Its map"
    ><select class="field" bind:value={build.map_sound}
        ><option value="">not known</option><option value={true}>was sound</option><option value={false}
            >was suspect</option
        ></select
    ></Field
>
<Field label="written by"><input class="field w-32" maxlength="200" bind:value={build.map_by} /></Field>
<Field label="Used on"
    ><select class="field" bind:value={build.used_on}
        ><option value="">not known</option><option value="road">road</option><option value="track"
            >track</option
        ></select
    ></Field
>
<Field label="For, km"
    ><Figure
        class="field w-24"
        min={0}
        max={2_000_000}
        value={build.km}
        set={(number) => (build.km = number)}
    /></Field
>
<Field label="Hard use, %"
    ><Figure
        class="field w-20"
        min={0}
        max={100}
        value={build.hard_percent}
        set={(number) => (build.hard_percent = number)}
    /></Field
>
