<script lang="ts">
    import Pick from './Pick.svelte';
    import type { Choices } from './columns';
    import type { Entry } from './paths';

    /** Where figures were read, when not at the wheels on the shop's own dyno: they are brought to it. */
    type Props = { entry: Entry; choices: Choices };
    let { entry, choices }: Props = $props();
    const dynos = $derived(choices.dynos.map((key) => [key, key.replaceAll('-', ' ')] as const));
</script>

<Pick {entry} path="frame.at" label="Read at" options={[['crank', 'the crank']]} none="the wheels" />
<Pick {entry} path="frame.dyno" label="on" options={dynos} none="the shop's dyno" />
