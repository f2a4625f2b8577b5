@extends('sheet')
@section('title', 'Choose a password')
@section('content')
    <form class="flex flex-col gap-3" method="post" action="{{ $address }}">
        <p>{{ $person->name }}, choose a password. Several words are easy to remember and hard to guess.</p>
        <input type="hidden" name="username" autocomplete="username" value="{{ $person->email }}">
        <label class="flex flex-col gap-1">
            <span class="text-soft">Password, {{ App\Identity\PasswordRule::LEAST }} characters at least</span>
            <input class="field" type="password" name="password" autocomplete="new-password" required autofocus minlength="{{ App\Identity\PasswordRule::LEAST }}" maxlength="{{ App\Identity\PasswordRule::MOST }}">
        </label>
        <label class="flex flex-col gap-1">
            <span class="text-soft">Once more</span>
            <input class="field" type="password" name="again" autocomplete="new-password" required>
        </label>
        @if ($fault)<p class="text-rust" role="alert">{{ $fault }}</p>@endif
        <button class="btn btn-strong mt-1 justify-center">Save it</button>
    </form>
@endsection
