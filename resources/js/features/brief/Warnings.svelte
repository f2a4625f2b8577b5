<script lang="ts">
    import type { BriefPage } from '@/generated/answers';
    import { day } from '@/lib/format';
    import type { BriefForm } from './brief.svelte';

    /** Warnings given to the customer, each with its day and who gave it. */
    let { form, warnings }: { form: BriefForm; warnings: BriefPage['warnings'] } = $props();
    type Key = Parameters<BriefForm['warn']>[0];
    const given = (key: string) => form.brief.warnings?.find((one) => one.warning === key);
</script>

<ul class="flex w-full flex-col">
    {#each warnings as warning (warning.key)}
        {@const note = given(warning.key)}
        <li class="border-t border-faint py-1 first:border-t-0">
            <label class="flex gap-2">
                <input
                    type="checkbox"
                    class="mt-1 shrink-0 self-start"
                    checked={note !== undefined}
                    onchange={(event) => form.warn(warning.key as Key, event.currentTarget.checked)}
                />
                <span
                    >{warning.text}<span class="block text-[12px] text-soft"
                        >{note
                            ? `given ${day(note.on)}${note.by === 'now' ? '' : ` by ${note.by}`}`
                            : 'not given yet'}</span
                    ></span
                >
            </label>
        </li>
    {/each}
</ul>
