<?php

namespace App\Http\Requests;

use App\Identity\Credentials;
use App\Identity\PasswordRule;
use DateTimeZone;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Support\Facades\Validator;
use Illuminate\Validation\Rule;
use Pebblerun\Core\Catalog\Shop\UsualShop;
use Pebblerun\Core\Physics\Dyno\DynoKind;
use Pebblerun\Core\Units\PowerUnit;
use Pebblerun\Core\Units\TorqueUnit;

/** What the first shop of an installation is called and works with, and who its owner is. */
final class FirstShopRequest extends FormRequest
{
    private const FIELDS = ['shop', 'place', 'currency', 'labour_rate', 'dyno_rate', 'tax_percent', 'time_zone', 'power', 'torque', 'dyno', 'name', 'email'];

    /** The first thing that is wrong, in a sentence: a visitor has no session to keep it in. */
    public function fault(): ?string
    {
        $check = Validator::make($this->post(), [
            'shop' => ['required', 'string', 'max:200'],
            'place' => ['nullable', 'string', 'max:200'],
            'currency' => ['required', 'regex:/^[A-Z]{3}$/D'],
            'labour_rate' => ['required', 'numeric', 'min:0', 'max:100000'],
            'dyno_rate' => ['required', 'numeric', 'min:0', 'max:100000'],
            'tax_percent' => ['required', 'numeric', 'min:0', 'max:100'],
            'time_zone' => ['required', Rule::in(DateTimeZone::listIdentifiers())],
            'power' => ['required', Rule::enum(PowerUnit::class)],
            'torque' => ['required', Rule::enum(TorqueUnit::class)],
            'dyno' => ['required', Rule::enum(DynoKind::class)],
            'name' => ['required', 'string', 'max:120'],
            'email' => ['required', 'string', 'email', 'max:200'],
            'password' => ['required', 'string', new PasswordRule(null)],
            'again' => ['same:password'],
        ], ['currency.regex' => 'A currency is three capital letters, such as EUR.', 'again.same' => 'The two passwords are not the same: type them again.', 'time_zone.in' => 'There is no such time zone: choose one of the list.']);

        return $check->fails() ? $check->errors()->first() : null;
    }

    /** @return array<string, string> what was typed, to be shown again */
    public function said(): array
    {
        return array_map(fn (string $field): string => $this->string($field)->value(), array_combine(self::FIELDS, self::FIELDS));
    }

    /** @return array{name: string, units: array<string, string>, document: array<string, mixed>} */
    public function shop(): array
    {
        $place = $this->string('place')->trim()->value();

        return [
            'name' => $this->string('shop')->trim()->value(),
            'units' => ['power' => $this->string('power')->value(), 'torque' => $this->string('torque')->value(), 'pressure' => 'bar', 'temperature' => 'C'],
            'document' => UsualShop::with([
                'name' => $this->string('shop')->trim()->value(),
                ...($place === '' ? [] : ['place' => $place]),
                'time_zone' => $this->string('time_zone')->value(),
                'currency' => $this->string('currency')->value(),
                'labour_rate' => $this->float('labour_rate'), 'dyno_rate' => $this->float('dyno_rate'), 'tax_percent' => $this->float('tax_percent'),
            ], DynoKind::from($this->string('dyno')->value())),
        ];
    }

    /** @return array{name: string, email: string} */
    public function owner(): array
    {
        return ['name' => $this->string('name')->trim()->value(), 'email' => Credentials::address($this->string('email')->value())];
    }
}
