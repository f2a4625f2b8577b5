<?php

namespace Pebblerun\Core\Catalog\Conditions;

/** What conditions see of a part. */
interface FittedPart
{
    public function key(): string;

    /** @return list<string> keys of the parts that a kit is made of */
    public function contains(): array;

    /** @return list<string> */
    public function tags(): array;

    /** @return list<string> that it stands in */
    public function slots(): array;

    /** Null for what is no map. */
    public function mapKind(): ?MapKind;
}
