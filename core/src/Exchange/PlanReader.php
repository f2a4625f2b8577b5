<?php

namespace Pebblerun\Core\Exchange;

use Pebblerun\Core\Job\Plan\Change;
use Pebblerun\Core\Job\Plan\Plan;
use Pebblerun\Core\Job\Plan\PriceBasis;
use Pebblerun\Core\Job\Plan\Settings;
use Pebblerun\Core\Job\Plan\Stacking;
use Pebblerun\Core\Job\Plan\Stage;
use Pebblerun\Core\Units\Currency;

/** Reads a plan. */
final class PlanReader
{
    public static function read(DocumentNode $node, Currency $currency): Plan
    {
        $settings = $node->maybe('settings') ?? new DocumentNode([]);

        return new Plan(
            new Settings(
                Stacking::from($settings->maybe('stacking')?->keyword('diminishing', 'compound', 'sum') ?? 'diminishing'),
                ($settings->maybe('loss')?->keyword('percentage', 'constant') ?? 'percentage') === 'constant',
                PriceBasis::from($settings->maybe('price_basis')?->keyword('new', 'used') ?? 'new'),
            ),
            array_map(fn (DocumentNode $stage): Stage => new Stage(
                $stage->get('key')->string(),
                $stage->get('name')->string(),
                $stage->get('fuel')->string(),
                array_map(fn (DocumentNode $change): Change => self::change($change, $currency), $stage->each('changes')),
            ), $node->each('stages')),
        );
    }

    private static function change(DocumentNode $node, Currency $currency): Change
    {
        if ($node->has('remove')) {
            return Change::remove($node->get('remove')->string());
        }
        $quantity = $node->maybe('quantity')?->int() ?? 1;
        $agreed = $node->maybe('agreed')?->minor($currency);
        $quantity >= 1 || $node->get('quantity')->refuse("{$quantity} is no quantity: give 1 or more.");
        $agreed === null || $agreed >= 0 || $node->get('agreed')->refuse('an agreed price cannot be negative.');

        return Change::fit(
            $node->get('fit')->string(),
            $node->has('basis') ? PriceBasis::from($node->get('basis')->keyword('new', 'used', 'owned')) : null,
            $agreed,
            $quantity,
            $node->maybe('bought')?->bool() ?? false,
        );
    }
}
