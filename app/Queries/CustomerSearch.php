<?php

namespace App\Queries;

use App\Models\Car;
use App\Models\Customer;
use App\Models\User;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Relations\Relation;

/** Customers and their cars, found while somebody types a name, a number or a registration. */
final class CustomerSearch
{
    private const MOST = 8;

    /**
     * @param  string  $words  lower case; all of them must be found in the customer or in one car
     * @return list<array<string, mixed>> valid against customers of schemas/answers.json
     */
    public static function of(User $person, string $words): array
    {
        $asked = array_map(fn (string $word): string => '%'.addcslashes($word, '%_\\').'%', array_filter(explode(' ', $words)));
        if ($asked === []) {
            return [];
        }
        $found = Customer::query()->where('shop_id', $person->shop_id)
            ->where(fn (Builder $either) => $either
                ->where(fn (Builder $customer) => self::all($customer, "lower(name || ' ' || contact)", $asked))
                // A registration is known with or without its spaces.
                ->orWhereIn('id', Car::query()->select('customer_id')->where(fn (Builder $car) => self::all($car, "lower(registration || ' ' || chassis_number)", $asked))
                    ->orWhereRaw("replace(lower(registration), ' ', '') like ?", ['%'.addcslashes(str_replace(' ', '', $words), '%_\\').'%'])))
            ->with(['cars' => fn (Relation $cars) => $cars->with('platform', 'lastReading')->withCount('jobs')->orderBy('id')])
            ->orderBy('name')->orderBy('id')->limit(self::MOST)->get();

        return array_values($found->map(fn (Customer $customer): array => [
            'id' => $customer->id,
            'name' => $customer->name,
            'contact' => $customer->contact,
            'cars' => array_values($customer->cars->map(self::car(...))->all()),
        ])->all());
    }

    /**
     * @template T of \Illuminate\Database\Eloquent\Model
     *
     * @param  Builder<T>  $rows
     * @param  literal-string  $text
     * @param  array<string>  $asked
     */
    private static function all(Builder $rows, string $text, array $asked): void
    {
        foreach ($asked as $word) {
            $rows->whereRaw("{$text} like ?", [$word]);
        }
    }

    /** @return array<string, mixed> */
    private static function car(Car $car): array
    {
        return [
            'id' => $car->id,
            'platform' => $car->platform_id,
            'words' => "{$car->platform->name}, {$car->year}, {$car->gearbox}",
            'registration' => $car->registration,
            'jobs' => (int) $car->getAttribute('jobs_count'),
            'last_reading' => $car->lastReading === null ? null : ['km' => $car->lastReading->km, 'on' => $car->lastReading->read_on],
        ];
    }
}
