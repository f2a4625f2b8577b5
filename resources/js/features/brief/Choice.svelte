<script lang="ts" generics="T extends string">
    type Props = {
        label: string;
        options: { value: T; words: string }[];
        /** Undefined while nothing was answered. */
        value: T | undefined;
        set: (value: T) => void;
    };
    let { label, options, value, set }: Props = $props();
    const name = $props.id();
</script>

<div role="radiogroup" aria-label={label} class="flex flex-wrap gap-1.5 *:whitespace-nowrap">
    {#each options as option (option.value)}
        <label
            class="btn has-checked:border-river has-checked:bg-wash has-focus-visible:outline-2 has-focus-visible:outline-river"
        >
            <input
                class="sr-only"
                type="radio"
                {name}
                checked={option.value === value}
                onchange={() => set(option.value)}
            />
            {option.words}
        </label>
    {/each}
</div>
