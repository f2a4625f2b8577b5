<?php

namespace Pebblerun\Core\Advice\Library;

use Pebblerun\Core\Catalog\Catalog;
use Pebblerun\Core\Catalog\Parts\GainCase;
use Pebblerun\Core\Catalog\Parts\Part;
use Pebblerun\Core\Catalog\Platform\AirRole;

/** What is hard to believe of a platform's parts: the same one twice, figures that no part has. */
final readonly class PartsCheck
{
    /** Hours that an engine's removal and refit do not reach. */
    private const MANY_HOURS = 80;

    /** From so many gain cases on, more than one kind of evidence is to be expected. */
    private const SEVERAL_CASES = 6;

    /** A gain of this share of the platform's power that takes torque away at its likely value: cams and turbos do that, and say where their peaks stand. */
    private const MUCH = 0.05;

    public function __construct(private Catalog $catalog) {}

    /** @return list<LibraryDoubt> of all parts, and of the catalog as a whole */
    public function all(): array
    {
        $doubts = $this->evidence();
        foreach ($this->catalog->parts->all() as $part) {
            array_push($doubts, ...$this->of($part));
        }

        return $doubts;
    }

    /** @return list<LibraryDoubt> */
    public function of(Part $part): array
    {
        return [...$this->twins($part), ...$this->figures($part), ...$this->claims($part), ...$this->peaks($part)];
    }

    /** @return list<LibraryDoubt> */
    private function evidence(): array
    {
        $kinds = array_map(fn (GainCase $case): string => $case->source->evidence->value, array_merge(...array_values(array_map(fn (Part $part): array => $part->gains, $this->catalog->parts->all()))));

        return count($kinds) >= self::SEVERAL_CASES && count(array_unique($kinds)) === 1
            ? [new LibraryDoubt(LibraryDoubtCode::FewKindsOfEvidence, 'parts', ['cases' => count($kinds)])] : [];
    }

    /** @return list<LibraryDoubt> the first that it may be a second entry of */
    private function twins(Part $part): array
    {
        foreach ($this->catalog->parts->all() as $other) {
            if ($other->key === $part->key) {
                continue;
            }
            if (self::named($other) === self::named($part)) {
                return [new LibraryDoubt(LibraryDoubtCode::SameName, 'name', ['other' => "{$other->maker} {$other->name}"], $part->key)];
            }
            if ($part->gains !== [] && $other->slots === $part->slots && $other->maker === $part->maker && $other->gains == $part->gains && $other->price->new == $part->price->new) {
                return [new LibraryDoubt(LibraryDoubtCode::SameFigures, 'gains', ['other' => "{$other->maker} {$other->name}"], $part->key)];
            }
        }

        return [];
    }

    private static function named(Part $part): string
    {
        return mb_strtolower((string) preg_replace('/[^\pL\pN]+/u', '', $part->maker.$part->name));
    }

    /** @return list<LibraryDoubt> */
    private function figures(Part $part): array
    {
        $doubts = [];
        $say = function (LibraryDoubtCode $code, string $path, array $values = []) use (&$doubts, $part): void {
            $doubts[] = new LibraryDoubt($code, $path, $values, $part->key);
        };
        $part->price->new->likely === 0 && $say(LibraryDoubtCode::NoPrice, 'price.new');
        $part->work->hours > 100 * self::MANY_HOURS && $say(LibraryDoubtCode::ManyHours, 'price.hours', ['hours' => $part->work->hours / 100.0]);
        foreach ($part->gains as $i => $case) {
            $case->source->setByHand && $case->source->note === '' && $say(LibraryDoubtCode::NoReason, "gains[{$i}].evidence.note");
            if ($case->anchors !== []) {
                continue;
            }
            if ($case->power->likely > 0.0 && $case->power->low === $case->power->high) {
                $say(LibraryDoubtCode::NoSpread, "gains[{$i}].power");
            }
            if ($case->power->likely === 0.0 && $case->power->high <= 0.0 && $case->torque->likely === 0.0 && $case->torque->high <= 0.0 && count($part->gains) === 1) {
                $say(LibraryDoubtCode::GivesNothing, "gains[{$i}]");
            }
            if ($case->peaks === null && $case->torque->high <= 0.0 && $case->power->likely > self::MUCH * $this->catalog->platform->baseline->peakPower()->value) {
                $say(LibraryDoubtCode::TorqueAgainstPower, "gains[{$i}].torque");
            }
        }

        return $doubts;
    }

    /** @return list<LibraryDoubt> gains above what their family can give: they count no further */
    private function claims(Part $part): array
    {
        if ($part->isKit()) {
            return [];
        }
        $platform = $this->catalog->platform;
        $family = $platform->families[$platform->slots[$part->slots[0]]->family];
        $doubts = [];
        foreach ($part->gains as $i => $case) {
            $most = max(
                $case->power->high / ($case->reference->power ?? $platform->baseline->peakPower()->value),
                $case->torque->high / ($case->reference->torque ?? $platform->baseline->peakTorque()->value),
            );
            if ($most > $family->highest()) {
                $doubts[] = new LibraryDoubt(LibraryDoubtCode::AboveFamily, "gains[{$i}]", ['share' => $most, 'family' => $family->name, 'most' => $family->highest()], $part->key);
            }
        }

        return $doubts;
    }

    /** @return list<LibraryDoubt> */
    private function peaks(Part $part): array
    {
        $family = $this->catalog->platform->families[$this->catalog->platform->slots[$part->slots[0]]->family];
        $silent = $family->air === AirRole::Cams && $part->effects->revLimit !== null && ($part->gains[0]->peaks ?? null) === null;

        return $silent ? [new LibraryDoubt(LibraryDoubtCode::CamsWithoutPeaks, 'gains', part: $part->key)] : [];
    }
}
