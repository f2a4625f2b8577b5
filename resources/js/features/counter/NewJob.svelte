<script lang="ts">
    import { useForm } from '@inertiajs/svelte';
    import Sheet from '@/ui/Sheet.svelte';

    type Props = { open: boolean; platforms: { id: number; name: string }[] };
    let { open = $bindable(), platforms }: Props = $props();

    const KEPT = 'pebblerun-platform';
    const form = useForm({ customer: 'New customer', title: 'New job', platform: 0 });
    $effect(() => {
        if (!open) return;
        const kept = Number(localStorage.getItem(KEPT));
        form.platform = platforms.some((one) => one.id === kept) ? kept : (platforms[0]?.id ?? 0);
    });

    function start(event: SubmitEvent) {
        event.preventDefault();
        localStorage.setItem(KEPT, String(form.platform));
        form.post('/jobs');
    }
</script>

<Sheet
    bind:open
    title="New job"
    about="Enter starts it as it stands; everything can be changed in the brief."
>
    <form class="flex flex-col gap-3" onsubmit={start}>
        <label class="flex flex-col gap-0.5"
            ><span class="text-[12px] text-soft">Customer</span>
            <!-- svelte-ignore a11y_autofocus -->
            <input
                class="field"
                maxlength="120"
                required
                autofocus
                bind:value={form.customer}
                onfocus={(event) => event.currentTarget.select()}
            />
        </label>
        <label class="flex flex-col gap-0.5"
            ><span class="text-[12px] text-soft">Job</span><input
                class="field"
                maxlength="120"
                required
                bind:value={form.title}
                onfocus={(event) => event.currentTarget.select()}
            /></label
        >
        <label class="flex flex-col gap-0.5"
            ><span class="text-[12px] text-soft">Platform</span><select
                class="field"
                bind:value={form.platform}
                >{#each platforms as platform (platform.id)}<option value={platform.id}
                        >{platform.name}</option
                    >{/each}</select
            ></label
        >
        {#if form.hasErrors}<p class="text-rust" role="alert">{Object.values(form.errors).join(' ')}</p>{/if}
        <div class="flex justify-end gap-2">
            <button type="button" class="btn" onclick={() => (open = false)}>Cancel</button>
            <button type="submit" class="btn btn-strong" disabled={form.processing}>Start</button>
        </div>
    </form>
</Sheet>
