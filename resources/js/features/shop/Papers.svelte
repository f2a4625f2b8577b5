<script lang="ts">
    import Field from '@/ui/Field.svelte';
    import type { ShopPage } from '@/generated/answers';

    /** What stands on the shop's papers. */
    let { papers }: { papers: ShopPage['papers'] } = $props();
    const words = [
        ['intro', 'At the top', 2000],
        ['terms', 'Terms', 6000],
        ['closing', 'At the end', 2000],
    ] as const;
    let fault = $state('');

    /** As it will be sent: the server looks at it again. */
    function take(file: File | undefined) {
        fault = '';
        if (!file) return;
        if (file.size > 150_000) {
            fault = `${file.name} has ${Math.round(file.size / 1000)} kB: a logo has at most 150.`;
            return;
        }
        const reader = new FileReader();
        reader.onload = () => (papers.logo = String(reader.result));
        reader.readAsDataURL(file);
    }
</script>

<div class="flex flex-wrap gap-3">
    {#each words as [key, label, most] (key)}
        <label class="flex min-w-56 flex-1 flex-col gap-0.5"
            ><span class="text-[12px] text-soft">{label}</span><textarea
                class="field"
                rows="4"
                maxlength={most}
                value={papers[key] ?? ''}
                oninput={(event) => (papers[key] = event.currentTarget.value || undefined)}></textarea></label
        >
    {/each}
</div>
<div class="mt-2 flex flex-wrap items-center gap-3">
    {#if papers.logo}<img src={papers.logo} alt="The shop’s logo" class="max-h-16 max-w-48" /><button
            type="button"
            class="btn"
            onclick={() => (papers.logo = undefined)}>Remove the logo</button
        >{/if}
    <Field label="Logo, PNG or JPEG, at most 150 kB"
        ><input
            class="text-[12px]"
            type="file"
            accept="image/png,image/jpeg"
            onchange={(event) => take(event.currentTarget.files?.[0])}
        /></Field
    >
    {#if fault}<p class="text-rust" role="alert">{fault}</p>{/if}
</div>
