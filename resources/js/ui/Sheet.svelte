<script lang="ts">
    import { Dialog } from 'bits-ui';
    import type { Snippet } from 'svelte';

    type Props = {
        open: boolean;
        title: string;
        /** One line under the title. */
        about?: string;
        children: Snippet;
        /** When false, Escape and a click outside do not close it: a choice must be made. @default true */
        dismissible?: boolean;
        /** Called when it is gone, in the place of giving the focus back to what had it. */
        closed?: () => void;
        /** As wide as the window lets it be. */
        wide?: boolean;
    };
    let {
        open = $bindable(),
        title,
        about,
        children,
        dismissible = true,
        closed,
        wide = false,
    }: Props = $props();
    const keep = (event: Event) => {
        if (!dismissible) event.preventDefault();
    };
</script>

<Dialog.Root bind:open>
    <Dialog.Portal>
        <Dialog.Overlay class="fixed inset-0 z-40 bg-black/40" />
        <Dialog.Content
            class="fixed top-1/2 left-1/2 z-50 max-h-[92vh] {wide
                ? 'w-[min(1500px,96vw)]'
                : 'w-[min(620px,92vw)]'} -translate-x-1/2 -translate-y-1/2 overflow-auto rounded-lg border border-line bg-paper p-5 shadow-xl"
            onEscapeKeydown={keep}
            onInteractOutside={keep}
            onCloseAutoFocus={(event) => {
                if (!closed) return;
                event.preventDefault();
                closed();
            }}
        >
            <Dialog.Title class="text-base font-semibold">{title}</Dialog.Title>
            {#if about}<Dialog.Description class="mt-0.5 text-soft">{about}</Dialog.Description>{/if}
            <div class="mt-3">{@render children()}</div>
        </Dialog.Content>
    </Dialog.Portal>
</Dialog.Root>
