<?php

namespace Pebblerun\Core\Catalog\Parts;

use ArrayAccess;
use Closure;
use Countable;
use IteratorAggregate;
use LogicException;
use Traversable;

/**
 * The parts of a catalog by key. A part may wait as a closure until somebody asks for it: an estimate needs few of many.
 *
 * @implements ArrayAccess<string, Part>
 * @implements IteratorAggregate<string, Part>
 */
final class PartCollection implements ArrayAccess, Countable, IteratorAggregate
{
    /**
     * @param  array<string, Part|Closure(): Part>  $entries  by key, in the catalog's order
     * @param  array<string, list<string>>  $slots  of each, by key
     * @param  ?string  $mapSlot  where maps stand; null without any
     */
    private function __construct(private array $entries, private readonly array $slots, private readonly ?string $mapSlot) {}

    /** @param  array<string, Part>  $parts  by key */
    public static function of(array $parts): self
    {
        $maps = array_filter($parts, fn (Part $part): bool => $part->map !== null);

        return new self($parts, array_map(fn (Part $part): array => $part->slots, $parts), $maps === [] ? null : reset($maps)->slots[0]);
    }

    /**
     * @param  array<string, Closure(): Part>  $makers  by key
     * @param  array<string, list<string>>  $slots  by key
     */
    public static function waiting(array $makers, array $slots, ?string $mapSlot): self
    {
        return new self($makers, $slots, $mapSlot);
    }

    /** @return array<string, Part> every part, made */
    public function all(): array
    {
        return iterator_to_array($this);
    }

    /** @return list<Part> that can stand in this slot, in the catalog's order */
    public function forSlot(string $slot): array
    {
        $keys = array_keys(array_filter($this->slots, fn (array $slots): bool => in_array($slot, $slots, true)));

        return array_map($this->offsetGet(...), $keys);
    }

    public function servesSlot(string $slot): bool
    {
        foreach ($this->slots as $slots) {
            if (in_array($slot, $slots, true)) {
                return true;
            }
        }

        return false;
    }

    public function mapSlot(): ?string
    {
        return $this->mapSlot;
    }

    public function getIterator(): Traversable
    {
        foreach (array_keys($this->entries) as $key) {
            yield $key => $this->offsetGet($key);
        }
    }

    public function count(): int
    {
        return count($this->entries);
    }

    public function offsetExists(mixed $offset): bool
    {
        return isset($this->entries[$offset]);
    }

    public function offsetGet(mixed $offset): Part
    {
        $entry = $this->entries[$offset];

        return $entry instanceof Part ? $entry : ($this->entries[$offset] = $entry());
    }

    public function offsetSet(mixed $offset, mixed $value): never
    {
        throw new LogicException('A catalog does not change.');
    }

    public function offsetUnset(mixed $offset): never
    {
        throw new LogicException('A catalog does not change.');
    }
}
