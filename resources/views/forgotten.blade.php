@extends('sheet')
@section('title', 'Password forgotten')
@section('content')
    @if ($sent)
        <p role="status">If somebody here has this address, a link is on its way to it. It is good for two days, and once.</p>
    @else
        <form class="flex flex-col gap-3" method="post" action="/forgotten">
            <label class="flex flex-col gap-1">
                <span class="text-soft">Email that you sign in with</span>
                <input class="field" type="email" name="email" autocomplete="username" required autofocus>
            </label>
            @if ($fault)<p class="text-rust" role="alert">{{ $fault }}</p>@endif
            <button class="btn btn-strong mt-1 justify-center">Send a link</button>
        </form>
    @endif
    <a class="text-soft underline" href="/sign-in">To the sign-in</a>
@endsection
