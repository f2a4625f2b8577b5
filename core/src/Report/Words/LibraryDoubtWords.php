<?php

namespace Pebblerun\Core\Report\Words;

use Pebblerun\Core\Advice\Library\LibraryDoubt;
use Pebblerun\Core\Advice\Library\LibraryDoubtCode;
use Pebblerun\Core\Report\UnitFormatter;
use Pebblerun\Core\Units\PowerUnit;

/** Says what is hard to believe of the library's figures, and what would be right. */
final readonly class LibraryDoubtWords
{
    public function __construct(private UnitFormatter $say) {}

    public function of(LibraryDoubt $doubt): string
    {
        $values = $doubt->values;

        return match ($doubt->code) {
            LibraryDoubtCode::FillsTooLittle => "{$this->filling($values)}, less than {$this->percent($values['bound'])}: its torque is too low there, its displacement too large, or its boost too high.",
            LibraryDoubtCode::FillsTooMuch => "{$this->filling($values)}, more than {$this->percent($values['bound'])}: its torque is too high there, its displacement too small, or its boost too low.",
            LibraryDoubtCode::HardToBelieve => sprintf('The stock car would work at a mean effective pressure of %s bar and %s hp a litre at the crank, which such engines do not: check torque, power and displacement.', $this->number((float) $values['pressure'] / 1e5, 1), $this->number((float) $values['per_litre'] / PowerUnit::Hp->watts())),
            LibraryDoubtCode::StockNearLimit => $this->nearLimit($doubt),
            LibraryDoubtCode::NoFuelSystem => 'Nothing is said of pumps and injectors: no plan will tell when fuel runs out. Give their flow.',
            LibraryDoubtCode::FuelAsCeiling => "\"{$values['name']}\" holds power by the fuel: give pumps and injectors as flow instead, and every blend and every power is right.",
            LibraryDoubtCode::NoLimits => 'No limit is given: no plan will tell what breaks. Begin with gearbox, clutch, rods and valves.',
            LibraryDoubtCode::FewKindsOfEvidence => "All {$values['cases']} gains rest on one kind of evidence.",
            LibraryDoubtCode::CamsWithoutPeaks => 'It changes cams and the rev limit: say at which rpm its power peak is.',
            LibraryDoubtCode::ClaimBelowWheels => "The factory claims {$this->say->writePower((float) $values['claimed'])} at the crank, less than the {$this->say->sayPower((float) $values['wheels'])} of the curve: check both.",
            LibraryDoubtCode::NoReason => 'This gain was set by hand: say why, under "How it was found".',
            LibraryDoubtCode::NoReasonOfLimit => "{$values['name']} was set by hand: say why, under \"Note\".",
            LibraryDoubtCode::SameName => "{$values['other']} is here already: change that one, or give this another name.",
            LibraryDoubtCode::SameFigures => "{$values['other']} is in the same slot with the same figures and price: the same part twice?",
            LibraryDoubtCode::NoPrice => 'It costs nothing: say what it costs, or plans come out too cheap.',
            LibraryDoubtCode::ManyHours => "{$this->number((float) $values['hours'], 1)} hours to fit is longer than an engine takes out and in: minutes entered as hours?",
            LibraryDoubtCode::GivesNothing => 'This gain is zero: leave it out if the part only carries what others need.',
            LibraryDoubtCode::NoSpread => 'No gain is known to the last digit: give its lowest and its highest.',
            LibraryDoubtCode::MoreThanItsAir => sprintf('It claims %s times the power that the air of its stated boost brings (1.05 is believed): it counts no further. ', $this->number((float) $values['times'], 2))
                .($values['ratio'] > 0.0 ? "A pressure ratio of {$this->number((float) $values['ratio'], 2)} at the power peak would explain it." : 'No boost explains this claim.'),
            LibraryDoubtCode::AboveFamily => "A gain of {$this->percent($values['share'])} is more than \"{$values['family']}\" can give ({$this->percent($values['most'])}): it counts no further. Check the gain, what it was measured on, or the family.",
            LibraryDoubtCode::TorqueAgainstPower => 'Much power and less torque moves the peaks: say at which rpm its power peak is.',
        };
    }

    /** @param  array<string, float|int|string>  $values */
    private function filling(array $values): string
    {
        return "At {$this->say->sayRpm((float) $values['rpm'])} the engine would fill to {$this->percent($values['filling'])}";
    }

    private function nearLimit(LibraryDoubt $doubt): string
    {
        $name = $doubt->values['name'];
        $quantity = $doubt->limit?->quantity;
        if ($quantity?->isTemperature() === true) {
            $room = (float) $doubt->values['room'] / $this->say->units->temperature->kelvins();

            return "{$name}: the stock car comes within {$this->number(max(0.0, $room))} °{$this->say->units->temperature->value} of safe: check the limit and what warms it.";
        }

        return "{$name}: the stock car uses {$this->percent($doubt->values['share'])} of what is safe: check the limit, or what it rests on.";
    }

    private function percent(float|int|string $share): string
    {
        return "{$this->number(100.0 * (float) $share)} %";
    }

    private function number(float $value, int $decimals = 0): string
    {
        return $this->say->numerals->write($value, $decimals);
    }
}
