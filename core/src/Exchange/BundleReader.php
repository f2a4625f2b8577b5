<?php

namespace Pebblerun\Core\Exchange;

use Closure;
use Pebblerun\Core\Catalog\Catalog;
use Pebblerun\Core\Catalog\Parts\Part;
use Pebblerun\Core\Catalog\Parts\PartCollection;
use Pebblerun\Core\Job\Brief\BriefPlaces;
use Pebblerun\Core\Job\Bundle;
use Pebblerun\Core\Job\Plan\References;
use Pebblerun\Core\Units\UnitSystem;

/** The one way into the core: a decoded bundle becomes core objects, or is refused with the path and what would be right. */
final class BundleReader
{
    /** Of the bundle format, as it is written now. */
    public const VERSION = 3;

    /**
     * What strangers send.
     *
     * @param  array<string, mixed>  $document  decoded JSON in the bundle format
     *
     * @throws InvalidBundle at the first fault, with its path.
     */
    public static function read(array $document): OpenedBundle
    {
        return self::bundle($document, PartCollection::of(...));
    }

    /**
     * What was read and checked before: its parts are made only when somebody asks for them.
     *
     * @param  array<string, mixed>  $document  a bundle that read() has taken
     * @param  ?string  $library  hash of its platform and parts without their prices, where somebody knows it: they are large
     */
    public static function trusted(array $document, ?string $library = null): OpenedBundle
    {
        return self::bundle($document, null, $library);
    }

    /**
     * @param  array<string, mixed>  $document
     * @param  ?Closure(array<string, Part>): PartCollection  $eager
     */
    private static function bundle(array $document, ?Closure $eager, ?string $library = null): OpenedBundle
    {
        $node = new DocumentNode($document);
        $units = self::units($node->get('units'));
        $kind = PlatformReader::fuel($node->get('platform'));
        $shop = ShopReader::read($node->get('shop'), $kind);
        $car = StockCar::of($node->get('brief'), $shop->fuels, $kind);
        $platforms = new PlatformReader($units, $shop->dynoFactors, $shop->loss);
        $platform = $platforms->read($node->get('platform'), $car);
        $reader = new PartReader($units, $platform, $shop);
        $parts = $eager === null ? self::waiting($node, $reader) : $eager(self::made($node, $reader));
        $catalog = new Catalog($platform, $parts, $shop->fuels);
        $brief = (new BriefReader($units, $platform, $shop))->read($node->get('brief'));
        if ($eager !== null) {
            // A brief may come to ask for another car of the platform: what that has otherwise must read as well.
            foreach ($platforms->others($node->get('platform'), $car) as $other) {
                self::made($node, new PartReader($units, $other, $shop));
            }
            PlanReader::refuseTwice($node->get('plan'));
        }
        $plan = PlanReader::read($node->get('plan'), $shop, $units, $platform, $brief->car->lossShare());
        $node->get('plan')->guard(fn () => References::check($plan, $brief, $catalog));

        return new OpenedBundle(new Bundle($shop, $catalog, $brief, $plan, self::fingerprint($document, $library)), $units);
    }

    /**
     * Power rests on parts and rules, not on what they cost.
     *
     * @param  array<string, mixed>  $document
     */
    private static function fingerprint(array $document, ?string $library): string
    {
        $library ??= self::hash([$document['platform'], array_map(fn (mixed $part): array => array_diff_key((array) $part, ['price' => 1]), (array) $document['parts'])]);
        /** @var array<string, mixed> $brief */
        $brief = $document['brief'];

        return self::hash([$library, $document['units'], array_diff_key((array) $document['shop'], array_flip(ShopReader::WITHOUT_FIGURES)), BriefPlaces::figureInputs($brief)]);
    }

    /**
     * As JSON, where 290 and 290.0 are one number.
     *
     * @param  list<mixed>  $of
     */
    private static function hash(array $of): string
    {
        return hash('xxh128', json_encode($of, JSON_THROW_ON_ERROR));
    }

    /** @return array<string, Part> */
    private static function made(DocumentNode $node, PartReader $reader): array
    {
        $parts = [];
        foreach ($node->each('parts') as $item) {
            $part = $reader->read($item);
            isset($parts[$part->key]) && $item->refuse("the key \"{$part->key}\" is there twice.");
            $parts[$part->key] = $part;
        }

        return $parts;
    }

    private static function waiting(DocumentNode $node, PartReader $reader): PartCollection
    {
        $makers = $slots = [];
        $mapSlot = null;
        foreach ($node->each('parts') as $item) {
            $key = $item->get('key')->string();
            $makers[$key] = fn (): Part => $reader->read($item);
            $slots[$key] = $item->strings('slots');
            $mapSlot ??= $item->has('map') ? $slots[$key][0] : null;
        }

        return PartCollection::waiting($makers, $slots, $mapSlot);
    }

    private static function units(DocumentNode $node): UnitSystem
    {
        $given = [];
        foreach (['power', 'torque', 'pressure', 'temperature', 'mass'] as $dimension) {
            if ($node->has($dimension)) {
                $given[$dimension] = $node->get($dimension)->string();
            }
        }

        return $node->guard(fn (): UnitSystem => UnitSystem::parse($given));
    }
}
