<script lang="ts">
    import type { CarLedger } from '@/generated/answers';
    import { day, figure } from '@/lib/format';

    /** What this shop fitted to the car and took off it, job by job. */
    let { ledger }: { ledger: CarLedger } = $props();
    const fitted = $derived(ledger.filter((one) => one.left_on === null).length);
    const how = (one: CarLedger[number]) =>
        [
            one.used ? 'second hand' : '',
            one.by ? `by ${one.by}` : '',
            one.stock_place ? `old parts: ${one.stock_place}` : '',
            one.left_on ? `off since ${day(one.left_on)}` : '',
        ]
            .filter(Boolean)
            .join(', ');
</script>

<details class="w-full">
    <summary class="cursor-pointer"
        >The car’s ledger: {fitted} {fitted === 1 ? 'part' : 'parts'} on it now</summary
    >
    <table class="mt-2 w-full text-[12.5px]">
        <thead
            ><tr class="text-left text-soft"
                ><th class="pr-3 font-normal">Part</th><th class="pr-3 font-normal">Since</th><th
                    class="pr-3 text-right font-normal">At, km</th
                ><th class="pr-3 font-normal">Job</th><th class="font-normal">Noted</th></tr
            ></thead
        >
        <tbody>
            {#each ledger as one (one.id)}
                <tr class="border-t border-faint align-top {one.left_on ? 'text-soft' : ''}">
                    <td class="py-0.5 pr-3">{one.part}</td>
                    <td class="py-0.5 pr-3 whitespace-nowrap"
                        >{one.since ? day(one.since) : 'came with it'}</td
                    >
                    <td class="py-0.5 pr-3 text-right tabular-nums"
                        >{one.km === null ? '' : figure(one.km)}</td
                    >
                    <td class="py-0.5 pr-3">{one.job ?? ''}</td>
                    <td class="py-0.5">{how(one)}</td>
                </tr>
            {/each}
        </tbody>
    </table>
</details>
