<script lang="ts">
    import { day } from '@/lib/format';
    import type { BriefForm } from './brief.svelte';

    /** What is said plainly, and noted as told. */
    type Warning = { key: string; text: string };
    let { form, warnings }: { form: BriefForm; warnings: Warning[] } = $props();
    type Key = Parameters<BriefForm['tell']>[0];
    const told = (key: string) => form.brief.told?.find((one) => one.warning === key);
</script>

<ul class="flex w-full flex-col">
    {#each warnings as warning (warning.key)}
        {@const note = told(warning.key)}
        <li class="border-t border-faint py-1 first:border-t-0">
            <label class="flex gap-2">
                <input
                    type="checkbox"
                    class="mt-1 shrink-0 self-start"
                    checked={note !== undefined}
                    onchange={(event) => form.tell(warning.key as Key, event.currentTarget.checked)}
                />
                <span
                    >{warning.text}<span class="block text-[12px] text-soft"
                        >{note
                            ? `told ${day(note.on)}${note.by === 'now' ? '' : ` by ${note.by}`}`
                            : 'not told yet'}</span
                    ></span
                >
            </label>
        </li>
    {/each}
</ul>
