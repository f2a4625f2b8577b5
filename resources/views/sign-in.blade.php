@extends('sheet')
@section('title', 'Sign in')
@section('content')
    <form class="flex flex-col gap-3" method="post" action="/sign-in">
        @if ($next)<input type="hidden" name="next" value="{{ $next }}">@endif
        <label class="flex flex-col gap-1">
            <span class="text-soft">Email</span>
            <input class="field" type="email" name="email" autocomplete="username" required autofocus value="{{ $email }}">
        </label>
        <label class="flex flex-col gap-1">
            <span class="text-soft">Password</span>
            <input class="field" type="password" name="password" autocomplete="current-password" required>
        </label>
        @if ($fault)<p class="text-rust" role="alert">{{ $fault }}</p>@endif
        <button class="btn btn-strong mt-1 justify-center">Sign in</button>
    </form>
    <a class="text-soft underline" href="/forgotten">Password forgotten?</a>
    @if ($demo)
        <div class="border-t border-line pt-3 text-[13px] text-soft">
            <p>The demo shop is loaded here. These people and their passwords are public:</p>
            @foreach ($demo as $person)
                <p class="mt-1">{{ $person['role'] }}: {{ $person['email'] }}, <span class="whitespace-nowrap">{{ $person['password'] }}</span></p>
            @endforeach
        </div>
    @endif
@endsection
