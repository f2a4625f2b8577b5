<?php

namespace App\Http\Requests;

use App\Assembly\BriefSheet;
use Illuminate\Contracts\Validation\Validator;
use Illuminate\Validation\Rule;
use Pebblerun\Core\Units\PowerUnit;
use Pebblerun\Core\Units\UnitSystem;

/** Answers of a brief, each by its place. What the answers of the brief document may be is held against its schema as a whole. */
final class BriefEditRequest extends EditRequest
{
    private const PLACE = '/^(purpose|notes|target|rpm_range|fuels|use|noise|inspection|warranty|refuses|risk|(car|received|budget|outside|driving|warnings)\.[a-z_-]{1,30}|received\.checks\.[a-z]{1,30}|title|customer(\.[a-z]{1,20})?|car)$/D';

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            ...parent::rules(),
            'answers' => ['required', 'list', 'min:1', 'max:40'],
            'answers.*' => ['array:place,value,unit'],
            'answers.*.place' => ['required', 'string', 'regex:'.self::PLACE],
            'answers.*.value' => ['present'],
            'answers.*.unit' => ['sometimes', Rule::enum(PowerUnit::class)],
        ];
    }

    /** @return list<callable(Validator): void> */
    public function after(): array
    {
        return [function (Validator $validator): void {
            foreach (is_array($this->input('answers')) ? $this->input('answers') : [] as $i => $answer) {
                $fault = is_array($answer) ? self::fault($answer['place'] ?? '', $answer['value'] ?? null) : null;
                $fault === null || $validator->errors()->add("answers.{$i}.value", $fault);
            }
        }];
    }

    /** What stands in rows of its own has rules of its own: the brief's schema does not know it. */
    private static function fault(mixed $place, mixed $value): ?string
    {
        return match ($place) {
            BriefSheet::CAR => is_int($value) && $value > 0 ? null : 'car must be the number of a car.',
            BriefSheet::OWNER => is_int($value) ? ($value > 0 ? null : 'customer must be the number of a customer, or a name.') : self::faultOfText('The customer', $value, 120, true),
            BriefSheet::TITLE => self::faultOfText('The job’s name', $value, 120, true),
            'customer.name' => self::faultOfText('The customer’s name', $value, 120, true),
            'customer.contact' => self::faultOfText('The contact', $value, 200, false),
            'customer.notes' => self::faultOfText('The notes', $value, 2000, false),
            BriefSheet::CHASSIS => self::faultOfText('The chassis number', $value, 40, false),
            default => null,
        };
    }

    private static function faultOfText(string $name, mixed $value, int $most, bool $needed): ?string
    {
        return match (true) {
            $value === null && ! $needed => null,
            ! is_string($value) => "{$name} must be text.",
            mb_strlen($value) > $most => "{$name} is too long: {$most} letters at most.",
            $needed && trim($value) === '' => "{$name} is empty: give it.",
            default => null,
        };
    }

    /** @return non-empty-list<array{place: string, value: mixed}> powers in the shop's unit, as the brief keeps them */
    public function answers(): array
    {
        /** @var non-empty-list<array{place: string, value: mixed, unit?: string}> $answers */
        $answers = $this->input('answers');

        return array_map($this->inShopUnits(...), $answers);
    }

    /**
     * @param  array{place: string, value: mixed, unit?: string}  $answer
     * @return array{place: string, value: mixed}
     */
    private function inShopUnits(array $answer): array
    {
        $value = $answer['value'];
        if (isset($answer['unit']) && is_array($value) && is_numeric($value['power'] ?? null)) {
            $shop = UnitSystem::parse($this->person()->shop->units);
            $value['power'] = round($value['power'] * PowerUnit::from($answer['unit'])->watts() / $shop->power->watts(), 1);
        }

        return ['place' => $answer['place'], 'value' => is_string($value) ? trim($value) : $value];
    }

    protected function asked(): mixed
    {
        return $this->input('answers');
    }

    protected function usually(): string
    {
        return 'brief';
    }
}
