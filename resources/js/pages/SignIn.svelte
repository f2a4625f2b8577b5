<script lang="ts">
    import { useForm } from '@inertiajs/svelte';
    import { onMount } from 'svelte';
    import Mark from '@/ui/Mark.svelte';

    const form = useForm({ email: '', password: '' });
    let email: HTMLInputElement;
    onMount(() => email.focus());

    function submit(event: SubmitEvent) {
        event.preventDefault();
        form.post('/sign-in', { onError: () => form.reset('password') });
    }
</script>

<svelte:head><title>Sign in · Pebblerun</title></svelte:head>

<main class="flex min-h-screen items-center justify-center p-6">
    <form class="flex w-80 flex-col gap-3" onsubmit={submit}>
        <h1 class="mb-2 flex items-center gap-2.5 text-xl font-semibold tracking-tight">
            <Mark /> Pebblerun
        </h1>
        <label class="flex flex-col gap-1">
            <span class="text-soft">Email</span>
            <input
                class="field"
                type="email"
                autocomplete="username"
                required
                bind:this={email}
                bind:value={form.email}
            />
        </label>
        <label class="flex flex-col gap-1">
            <span class="text-soft">Password</span>
            <input
                class="field"
                type="password"
                autocomplete="current-password"
                required
                bind:value={form.password}
            />
        </label>
        {#if form.errors.email}
            <p class="text-rust" role="alert">{form.errors.email}</p>
        {/if}
        <button class="btn btn-strong mt-1 justify-center" disabled={form.processing}>Sign in</button>
    </form>
</main>
