<script lang="ts" module>
    import type { KnownCar, KnownCustomer } from '@/generated/answers';

    /** A customer who is known, and one of their cars or none. */
    export type Known = { customer: KnownCustomer; car: KnownCar | null };
</script>

<script lang="ts">
    import { get } from '@/lib/api';
    import { asked as wanted } from '@/lib/keys';

    /** A customer's name, with those who are known by it, by a number or by a registration, found while one types. */
    type Props = {
        value: string;
        choose: (known: Known) => void;
        /** What was typed, where nobody was chosen. */
        typed?: (text: string) => void;
        /** Every letter. */
        oninput?: (text: string) => void;
        /** Customer that it is already: not offered. */
        except?: number;
        /** Whether cars are offered as well. @default true */
        cars?: boolean;
        /** Only those of this platform can be chosen. */
        platform?: string;
        focused?: boolean;
    };
    let {
        value,
        choose,
        typed = () => {},
        oninput = () => {},
        except,
        cars = true,
        platform,
        focused = false,
    }: Props = $props();

    const list = $props.id();
    let found = $state.raw<Known[]>([]);
    let at = $state(-1);
    let timer: ReturnType<typeof setTimeout> | undefined;
    let asked = '';

    function look(text: string) {
        oninput(text);
        clearTimeout(timer);
        asked = text.trim();
        if (asked.length < 2) return close();
        timer = setTimeout(async () => {
            const words = asked;
            const customers = await get<KnownCustomer[]>(`/customers?q=${encodeURIComponent(words)}`).catch(
                () => [],
            );
            if (words !== asked) return;
            found = customers
                .filter((customer) => customer.id !== except)
                .flatMap((customer) => [
                    ...(cars ? customer.cars : [])
                        .filter((car) => platform === undefined || car.words.startsWith(platform))
                        .map((car) => ({ customer, car })),
                    { customer, car: null },
                ]);
            at = -1;
        }, 160);
    }

    function close() {
        clearTimeout(timer);
        asked = '';
        found = [];
        at = -1;
    }

    function take(known: Known) {
        close();
        choose(known);
    }

    function keydown(event: KeyboardEvent) {
        if (found.length === 0) return;
        const chosen = found[at];
        if (event.key === 'ArrowDown') at = (at + 1) % found.length;
        else if (event.key === 'ArrowUp') at = (at <= 0 ? found.length : at) - 1;
        else if (event.key === 'Enter' && chosen) take(chosen);
        else if (event.key === 'Escape') close();
        else return;
        event.preventDefault();
        event.stopPropagation();
    }

    function words({ customer, car }: Known): string {
        if (!car) return customer.contact;
        return [car.words, car.registration, car.jobs === 1 ? '1 job' : `${car.jobs} jobs`]
            .filter((one) => one !== '')
            .join(', ');
    }
</script>

<span class="relative block">
    <input
        class="field w-full"
        maxlength="120"
        required
        autocomplete="off"
        role="combobox"
        aria-expanded={found.length > 0}
        aria-controls={list}
        aria-autocomplete="list"
        aria-activedescendant={at >= 0 ? `${list}-${at}` : undefined}
        {@attach focused && wanted}
        {value}
        oninput={(event) => look(event.currentTarget.value)}
        onchange={(event) => typed(event.currentTarget.value.trim())}
        onfocus={(event) => event.currentTarget.select()}
        onblur={() => setTimeout(close, 150)}
        onkeydown={keydown}
    />
    <ul
        id={list}
        role="listbox"
        aria-label="Known customers"
        class="absolute top-full left-0 z-50 max-h-64 w-[min(420px,86vw)] overflow-auto border border-line bg-paper shadow-lg {found.length ===
        0
            ? 'hidden'
            : ''}"
    >
        {#each found as known, i (`${known.customer.id}/${known.car?.id ?? ''}`)}
            <li
                id="{list}-{i}"
                role="option"
                aria-selected={i === at}
                class="cursor-pointer border-b border-faint px-2.5 py-1.5 leading-tight {i === at
                    ? 'bg-wash'
                    : ''}"
                onpointerdown={(event) => {
                    event.preventDefault();
                    take(known);
                }}
            >
                <b class="font-semibold">{known.customer.name}</b>
                <span class="block text-[12px] text-soft"
                    >{words(known)}{known.car
                        ? ''
                        : cars
                          ? words(known)
                              ? ', another car'
                              : 'another car'
                          : ''}</span
                >
            </li>
        {/each}
    </ul>
</span>
