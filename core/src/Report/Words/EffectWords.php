<?php

namespace Pebblerun\Core\Report\Words;

use Pebblerun\Core\Catalog\Parts\AddedPower;
use Pebblerun\Core\Catalog\Parts\Part;
use Pebblerun\Core\Evaluation\Model\Gain;
use Pebblerun\Core\Report\Terms;
use Pebblerun\Core\Report\UnitFormatter;

/** Says what a part does besides adding to the peaks. */
final readonly class EffectWords
{
    public function __construct(private UnitFormatter $say) {}

    /** @return list<string> */
    public function of(Part $part, ?Gain $gain): array
    {
        return array_values(array_filter([
            ...array_map($this->window(...), $part->effects->added),
            $gain === null ? '' : $this->loss($gain),
            $this->spool($part),
            $part->effects->revLimit === null ? '' : "It lets the engine turn to {$this->say->sayRpm($part->effects->revLimit)}; what must carry that is checked as a limit.",
            $this->capability($part),
            $this->exhaust($part),
            $this->mass($part),
            $this->gearing($part),
            $this->launch($part),
        ]));
    }

    private function window(AddedPower $window): string
    {
        return sprintf(
            'It adds %s to %s, likely %s, %s, after the soft ceilings and before the hard ones.',
            $this->say->writePower($window->power->low), $this->say->sayPower($window->power->high), $this->say->writePower($window->power->likely),
            is_finite($window->to) ? "from {$this->say->sayRpm($window->from)} to {$this->say->sayRpm($window->to)}" : "from {$this->say->sayRpm($window->from)} on",
        );
    }

    /** A gain that is a loss somewhere says where. */
    private function loss(Gain $gain): string
    {
        $worst = null;
        foreach ($gain->fractions as $i => $fraction) {
            if ($fraction->likely < ($worst === null ? 0.0 : $gain->fractions[$worst]->likely)) {
                $worst = $i;
            }
        }

        return $worst === null ? '' : sprintf('It takes away %s %% near %s.', $this->say->numerals->write(-100 * $gain->fractions[$worst]->likely, 1), $this->say->sayRpm($gain->rpms[$worst]));
    }

    private function spool(Part $part): string
    {
        $spool = $part->effects->spool;

        return $spool === null ? '' : sprintf(
            'It moves the rise of torque %d rpm %s (%d to %d).',
            abs($spool->likely), $spool->likely >= 0.0 ? 'later' : 'earlier', $spool->low, $spool->high,
        );
    }

    private function capability(Part $part): string
    {
        $bears = [];
        foreach ($part->effects->limits as $limit) {
            $bears[] = "{$this->say->sayLimit($limit->quantity, $limit->points[0][1])} of ".Terms::quantity($limit->quantity);
        }

        return $bears === [] ? '' : 'It is safe to '.implode(' and ', array_unique($bears)).'.';
    }

    private function exhaust(Part $part): string
    {
        $shift = $part->effects->exhaust;
        $degrees = $this->say->units->temperature->kelvins();

        return $shift === null ? '' : sprintf('It moves the exhaust temperature by %+d °%s (%+d to %+d).', round($shift->likely / $degrees), $this->say->units->temperature->value, round($shift->low / $degrees), round($shift->high / $degrees));
    }

    private function gearing(Part $part): string
    {
        $share = $part->effects->gearing;

        return $share === 0.0 ? '' : sprintf('It gears the car %s %% %s in every gear: check speeds, the speedometer and local rules.', $this->say->numerals->write(abs(100 * $share), 1), $share > 0.0 ? 'shorter' : 'longer');
    }

    private function launch(Part $part): string
    {
        $saves = $part->effects->launch;

        return $saves === null ? '' : "Its grip likely saves {$this->say->numerals->write($saves->likely, 2)} s from a standing start ({$this->say->numerals->write($saves->low, 2)}–{$this->say->numerals->write($saves->high, 2)}), on a closed course.";
    }

    private function mass(Part $part): string
    {
        return $part->effects->mass === 0.0 ? '' : sprintf('It weighs %s %s %s than what it replaces.', $this->say->numerals->write(abs($this->say->mass($part->effects->mass)), 1), $this->say->units->mass->value, $part->effects->mass < 0.0 ? 'less' : 'more');
    }
}
