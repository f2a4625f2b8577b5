<script lang="ts">
    import type { Attachment } from 'svelte/attachments';
    import { read, write } from '@/lib/numbers';

    /** A field for a number, read as the person's country writes numbers. Arrows step it. */
    type Props = {
        value: number | null | undefined;
        /** What was typed, as a number; undefined where nothing is written or it is none. */
        set: (value: number | undefined, text: string) => void;
        /** The field was left with what can be read. */
        left?: () => void;
        min?: number;
        max?: number;
        /** @default 1 */
        step?: number;
        /** What the value is multiplied by to be shown: 100 for a share in percent. @default 1 */
        scale?: number;
        class?: string;
        label?: string;
        placeholder?: string;
        required?: boolean;
        title?: string;
        attach?: Attachment<HTMLInputElement> | false;
    };
    let {
        value,
        set,
        left = () => {},
        min,
        max,
        step = 1,
        scale = 1,
        class: classes = 'field',
        label,
        placeholder,
        required = false,
        title,
        attach = false,
    }: Props = $props();
    /** As it is being typed; null while nobody types, and what the document has is shown. */
    let typed = $state<string | null>(null);
    let fault = $state('');
    const shown = $derived(
        typed ??
            (value === null || value === undefined ? '' : write(Number((value * scale).toPrecision(12)))),
    );

    function wrong(found: number | null | undefined, text: string): string {
        if (found === undefined) return `“${text.trim()}” is no number: write it like ${write(1234.5)}.`;
        if (found === null) return '';
        if (min !== undefined && found < min) return `${write(min)} or more.`;
        if (max !== undefined && found > max) return `${write(max)} or less.`;
        return '';
    }

    function type(field: HTMLInputElement) {
        typed = field.value;
        const found = read(field.value);
        fault = wrong(found, field.value);
        field.setCustomValidity(fault);
        set(
            found === null || found === undefined ? undefined : Number((found / scale).toPrecision(12)),
            field.value,
        );
    }

    function leave() {
        if (typed === null || fault) return;
        typed = null;
        left();
    }

    function keydown(event: KeyboardEvent & { currentTarget: HTMLInputElement }) {
        const by = { ArrowUp: step, ArrowDown: -step }[event.key];
        const now = read(event.currentTarget.value);
        if (!by || now === undefined || event.altKey || event.ctrlKey || event.metaKey) return;
        event.preventDefault();
        const next = Math.min(max ?? Infinity, Math.max(min ?? -Infinity, (now ?? 0) + by));
        event.currentTarget.value = write(next);
        type(event.currentTarget);
    }
</script>

<input
    class="{classes} tabular-nums"
    role="spinbutton"
    inputmode="decimal"
    autocomplete="off"
    aria-label={label}
    aria-valuenow={typeof value === 'number' ? value * scale : undefined}
    aria-invalid={fault !== ''}
    title={fault || title}
    {placeholder}
    {required}
    value={shown}
    {@attach attach}
    oninput={(event) => type(event.currentTarget)}
    onchange={(event) => fault && event.currentTarget.reportValidity()}
    onblur={leave}
    onkeydown={keydown}
/>
