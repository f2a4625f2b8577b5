<?php

namespace Pebblerun\Core\Exchange;

use Pebblerun\Core\Catalog\Platform\Platform;
use Pebblerun\Core\Catalog\Shop\Shop;
use Pebblerun\Core\Job\Plan\Acceptance;
use Pebblerun\Core\Job\Plan\Change;
use Pebblerun\Core\Job\Plan\MeasuredCurve;
use Pebblerun\Core\Job\Plan\Plan;
use Pebblerun\Core\Job\Plan\PriceBasis;
use Pebblerun\Core\Job\Plan\Settings;
use Pebblerun\Core\Job\Plan\Stacking;
use Pebblerun\Core\Job\Plan\Stage;
use Pebblerun\Core\Job\Plan\TorqueHold;
use Pebblerun\Core\Units\Currency;
use Pebblerun\Core\Units\TorqueUnit;
use Pebblerun\Core\Units\UnitSystem;

/** Reads a plan. */
final class PlanReader
{
    /** @param  float  $loss  share of the driveline, for curves from the crank */
    public static function read(DocumentNode $node, Shop $shop, UnitSystem $units, Platform $platform, float $loss): Plan
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
                array_map(fn (DocumentNode $change): Change => self::change($change, $shop->currency), $stage->each('changes')),
                self::hold($stage->maybe('hold'), $units),
                array_map(fn (DocumentNode $one): Acceptance => new Acceptance($one->get('limit')->string(), $one->get('by')->string(), $one->get('on')->string(), $one->get('reason')->string()), $stage->each('accepts')),
                self::measured($stage->maybe('measured'), $shop, $units, $platform, $loss),
            ), $node->each('stages')),
        );
    }

    /** A part stands once in a stage: more of it is a quantity. */
    public static function refuseTwice(DocumentNode $plan): void
    {
        foreach ($plan->each('stages') as $stage) {
            $fitted = [];
            foreach ($stage->each('changes') as $change) {
                $part = $change->maybe('fit')?->string() ?? '';
                $part !== '' && isset($fitted[$part]) && $change->refuse("\"{$part}\" is fitted twice in this stage: say a quantity instead.");
                $fitted[$part] = true;
            }
        }
    }

    private static function measured(?DocumentNode $node, Shop $shop, UnitSystem $units, Platform $platform, float $loss): ?MeasuredCurve
    {
        if ($node === null) {
            return null;
        }
        $frame = FrameReader::read($node, $shop->dynoFactors, $loss);
        $curve = (new CurveReader($units))->read($node, $platform->engine->boosted);

        return new MeasuredCurve($frame->isOwn() ? $curve : $curve->scaled($frame->likely(1.0)), $frame, $node->get('of')->strings('parts'), $node->get('of')->get('fuel')->string());
    }

    private static function hold(?DocumentNode $node, UnitSystem $units): ?TorqueHold
    {
        if ($node === null) {
            return null;
        }
        $unit = $node->maybe('unit')?->enum(TorqueUnit::class) ?? $units->torque;
        $from = $node->get('from_rpm')->number();
        $to = $node->get('to_rpm')->number();
        $from < $to || $node->refuse("{$from} rpm is not below {$to} rpm: turn them round.");

        return new TorqueHold($node->get('torque')->number() * $unit->newtonMetres(), $from, $to);
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
            $node->maybe('own_work')?->bool() ?? false,
        );
    }
}
