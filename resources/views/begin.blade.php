@extends('sheet')
@section('title', 'A new shop')
@section('heading', 'A new shop')
@section('width', 'w-full max-w-lg')
@php
    $was = fn (string $field, string $else = ''): string => $said[$field] ?? $else;
    $choose = fn (string $field, array $choices, string $else): string => array_key_exists($was($field), $choices) ? $was($field) : $else;
    $units = ['hp' => 'hp', 'PS' => 'PS', 'kW' => 'kW'];
    $torques = ['lb-ft' => 'lb-ft', 'Nm' => 'N·m'];
    $dynos = ['inertia-roller' => 'inertia roller', 'load-roller' => 'load roller', 'hub' => 'hub', 'engine' => 'engine'];
@endphp
@section('content')
    <form class="grid grid-cols-2 gap-3" method="post">
        @if ($fault)<p class="col-span-2 text-rust" role="alert">{{ $fault }}</p>@endif
        <label class="col-span-2 flex flex-col gap-1"><span class="text-soft">Name of the shop</span><input class="field" name="shop" required maxlength="200" autofocus value="{{ $was('shop') }}"></label>
        <label class="flex flex-col gap-1"><span class="text-soft">Place</span><input class="field" name="place" maxlength="200" value="{{ $was('place') }}"></label>
        <label class="flex flex-col gap-1"><span class="text-soft">Time zone</span>
            <select class="field" name="time_zone">@foreach (DateTimeZone::listIdentifiers() as $zone)<option @selected($zone === $was('time_zone', 'UTC'))>{{ $zone }}</option>@endforeach</select>
        </label>
        <label class="flex flex-col gap-1"><span class="text-soft">Labour, per hour, without tax</span><input class="field" name="labour_rate" type="number" min="0" step="0.01" required value="{{ $was('labour_rate') }}"></label>
        <label class="flex flex-col gap-1"><span class="text-soft">Dyno, per hour, without tax</span><input class="field" name="dyno_rate" type="number" min="0" step="0.01" required value="{{ $was('dyno_rate') }}"></label>
        <label class="flex flex-col gap-1"><span class="text-soft">Tax, %</span><input class="field" name="tax_percent" type="number" min="0" max="100" step="0.01" required value="{{ $was('tax_percent') }}"></label>
        <label class="flex flex-col gap-1"><span class="text-soft">Currency, such as EUR</span><input class="field" name="currency" required pattern="[A-Z]{3}" maxlength="3" value="{{ $was('currency', 'EUR') }}"></label>
        @foreach ([['power', 'Power in', $units, 'hp'], ['torque', 'Torque in', $torques, 'lb-ft'], ['dyno', 'Own dyno', $dynos, 'load-roller']] as [$field, $label, $choices, $else])
            <label class="flex flex-col gap-1"><span class="text-soft">{{ $label }}</span>
                <select class="field" name="{{ $field }}">@foreach ($choices as $value => $words)<option value="{{ $value }}" @selected((string) $value === $choose($field, $choices, $else))>{{ $words }}</option>@endforeach</select>
            </label>
        @endforeach
        <p class="col-span-2 mt-2 border-t border-line pt-3 font-semibold">You, the owner</p>
        <label class="flex flex-col gap-1"><span class="text-soft">Your name</span><input class="field" name="name" autocomplete="name" required maxlength="120" value="{{ $was('name') }}"></label>
        <label class="flex flex-col gap-1"><span class="text-soft">Email</span><input class="field" name="email" type="email" autocomplete="username" required maxlength="200" value="{{ $was('email') }}"></label>
        <label class="flex flex-col gap-1"><span class="text-soft">Password, {{ App\Identity\PasswordRule::LEAST }} characters at least</span><input class="field" type="password" name="password" autocomplete="new-password" required minlength="{{ App\Identity\PasswordRule::LEAST }}" maxlength="{{ App\Identity\PasswordRule::MOST }}"></label>
        <label class="flex flex-col gap-1"><span class="text-soft">Once more</span><input class="field" type="password" name="again" autocomplete="new-password" required></label>
        <button class="btn btn-strong col-span-2 mt-1 justify-center">Create the shop</button>
    </form>
@endsection
