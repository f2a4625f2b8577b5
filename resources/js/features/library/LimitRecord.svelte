<script lang="ts">
    import Field from '@/ui/Field.svelte';
    import Figure from '@/ui/Figure.svelte';
    import type { Choice, LimitEvidence } from '@/generated/answers';
    import { postOnce } from '@/lib/api';
    import { today } from '@/lib/format';
    import type { told } from '@/lib/told.svelte';
    import BuildFields, { noBuild, sentBuild } from './BuildFields.svelte';
    import RecordFields from './RecordFields.svelte';

    /** Putting on record what somebody measured or claims that a component bears. */
    type Props = {
        base: string;
        kinds: Choice[];
        fuels: Choice[];
        limit: LimitEvidence[number];
        say: ReturnType<typeof told>;
        kept: (now: LimitEvidence) => void;
        cancel: () => void;
    };
    let { base, kinds, fuels, limit, say, kept, cancel }: Props = $props();
    let fresh = $state({
        kind: 'judgement',
        safe: undefined as number | undefined,
        edge: undefined as number | undefined,
        on: today(),
        build: '',
        frame: '',
        source: '',
        note: '',
    });

    let build = $state(noBuild());

    async function keep(event: SubmitEvent) {
        event.preventDefault();
        const sent = { ...fresh, ...sentBuild(build), limit: limit.id };
        const now = await say.of(postOnce<LimitEvidence>(`${base}/limit-records`, sent));
        if (now) kept(now);
    }
</script>

<form class="mt-2 flex flex-wrap items-end gap-2" onsubmit={keep}>
    <Field label="Who says so"
        ><select class="field" bind:value={fresh.kind}
            >{#each kinds as { key, words } (key)}<option value={key}>{words}</option>{/each}</select
        ></Field
    >
    {#each ['safe', 'edge'] as const as end (end)}<Field
            label="{end === 'safe' ? 'Safe to' : 'Breaks at'}, {limit.unit || limit.quantity}"
            ><Figure
                class="field w-24"
                min={0}
                required
                value={fresh[end]}
                set={(number) => (fresh[end] = number)}
            /></Field
        >{/each}
    <RecordFields bind:said={fresh} />
    <BuildFields bind:build {fuels} />
    <button class="btn btn-strong">Save the record</button>
    <button type="button" class="btn" onclick={cancel}>Cancel</button>
</form>
