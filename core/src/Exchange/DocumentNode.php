<?php

namespace Pebblerun\Core\Exchange;

use BackedEnum;
use Closure;
use Pebblerun\Core\CoreException;
use Pebblerun\Core\Units\Currency;
use Pebblerun\Core\Units\MoneyRange;
use Pebblerun\Core\Units\Range;

/** A place in a decoded document that knows its path, so that every fault can name it. */
final readonly class DocumentNode
{
    /** @param  ?self  $instead  whose entries stand in for this one's */
    public function __construct(private mixed $value, private string|int $name = '', private ?self $parent = null, private ?self $instead = null) {}

    /** The same place, where what another says wins entry by entry. */
    public function replacedBy(?self $other): self
    {
        return new self($this->value, $this->name, $this->parent, $other);
    }

    /** Such as parts[3].gains[0].power; built only when somebody asks. */
    public function path(): string
    {
        $before = $this->parent?->path() ?? '';

        return match (true) {
            is_int($this->name) => "{$before}[{$this->name}]",
            $before === '' => $this->name,
            default => "{$before}.{$this->name}",
        };
    }

    public function has(string $key): bool
    {
        return is_array($this->value) && isset($this->value[$key]) || $this->instead?->has($key) === true;
    }

    /** @throws InvalidBundle when it is absent. */
    public function get(string $key): self
    {
        $child = $this->maybe($key);

        return $child ?? throw new InvalidBundle($this->path(), "\"{$key}\" is missing.");
    }

    public function maybe(string $key): ?self
    {
        return $this->instead?->maybe($key) ?? (is_array($this->value) && isset($this->value[$key]) ? new self($this->value[$key], $key, $this) : null);
    }

    /** @return list<self> the items of a list; none when it is absent */
    public function each(string $key): array
    {
        $list = $this->maybe($key);

        return $list === null ? [] : $list->items();
    }

    /** @return list<self> */
    public function items(): array
    {
        if (! is_array($this->value) || ! array_is_list($this->value)) {
            $this->refuse('must be a list.');
        }

        return array_map(fn (mixed $item, int $i): self => new self($item, $i, $this), $this->value, array_keys($this->value));
    }

    public function string(): string
    {
        return is_string($this->value) ? $this->value : $this->refuse('must be text.');
    }

    public function bool(): bool
    {
        return is_bool($this->value) ? $this->value : $this->refuse('must be true or false.');
    }

    public function number(): float
    {
        return is_int($this->value) || is_float($this->value) ? (float) $this->value : $this->refuse('must be a number.');
    }

    /**
     * A number with bounds that something else in the document sets.
     *
     * @param  string  $fault  what is wrong outside them, such as "is no speed of this engine"
     */
    public function within(float $low, float $high, string $fault): float
    {
        $number = $this->number();

        return $number >= $low && $number <= $high ? $number : $this->refuse(sprintf('%s %s: give %s to %s.', self::plain($number), $fault, self::plain($low), self::plain($high)));
    }

    private static function plain(float $number): string
    {
        return (string) round($number, 3);
    }

    public function int(): int
    {
        return is_int($this->value) ? $this->value : $this->refuse('must be a whole number.');
    }

    /** @return list<string> */
    public function strings(string $key): array
    {
        return array_map(fn (self $item): string => $item->string(), $this->each($key));
    }

    /** Refuses a list of points whose engine speeds do not rise. */
    public function rising(string $list): void
    {
        $before = null;
        foreach ($this->each($list) as $point) {
            $rpm = $point->get('rpm')->number();
            if ($before !== null && $rpm <= $before) {
                $this->refuse("{$list}: {$rpm} rpm comes after {$before} rpm, and must rise.");
            }
            $before = $rpm;
        }
    }

    /** A number, or [low, likely, high]. */
    public function range(): Range
    {
        if (! is_array($this->value)) {
            return Range::exact($this->number());
        }
        $three = $this->three();

        return $this->guard(fn (): Range => Range::of(...array_map(fn (self $item): float => $item->number(), $three)));
    }

    /** An amount as people write it, or three of them. */
    public function money(Currency $currency): MoneyRange
    {
        [$low, $likely, $high] = array_map(fn (self $item): float => $item->amount(), is_array($this->value) ? $this->three() : [$this, $this, $this]);
        $low <= $likely && $likely <= $high || $this->refuse("{$low} / {$likely} / {$high} is out of order: low ≤ likely ≤ high.");

        return MoneyRange::of($currency->minor($low), $currency->minor($likely), $currency->minor($high));
    }

    private function amount(): float
    {
        return $this->number() >= 0.0 ? $this->number() : $this->refuse("a price of {$this->number()} is negative: give 0 or more.");
    }

    /** An amount as people write it, in minor units. */
    public function minor(Currency $currency): int
    {
        return $currency->minor($this->number());
    }

    public function keyword(string ...$allowed): string
    {
        return in_array($this->value, $allowed, true) ? (string) $this->value : $this->refuse(sprintf('%s is not known here: use one of %s.', $this->shown(), implode(', ', $allowed)));
    }

    /**
     * @template T of BackedEnum
     *
     * @param  class-string<T>  $of
     * @return T
     */
    public function enum(string $of): BackedEnum
    {
        return $of::from($this->keyword(...array_map(strval(...), array_column($of::cases(), 'value'))));
    }

    /**
     * Runs what may refuse the value, and names the place when it does.
     *
     * @template T
     *
     * @param  Closure(): T  $make
     * @return T
     *
     * @throws InvalidBundle
     */
    public function guard(Closure $make): mixed
    {
        try {
            return $make();
        } catch (InvalidBundle $fault) {
            throw $fault;
        } catch (CoreException $fault) {
            throw new InvalidBundle($this->path(), $fault->getMessage(), $fault);
        }
    }

    /** @throws InvalidBundle always. */
    public function refuse(string $fault): never
    {
        throw new InvalidBundle($this->path(), $fault);
    }

    public function raw(): mixed
    {
        return $this->value;
    }

    private function shown(): string
    {
        return is_scalar($this->value) ? "\"{$this->value}\"" : 'a '.get_debug_type($this->value);
    }

    /** @return array{self, self, self} */
    private function three(): array
    {
        $items = $this->items();

        return count($items) === 3 ? [$items[0], $items[1], $items[2]] : $this->refuse('must be one number or [low, likely, high].');
    }
}
