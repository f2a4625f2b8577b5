@extends('sheet')
@section('title', 'Second factor')
@section('content')
    <form class="flex flex-col gap-3" method="post" action="/sign-in/code">
        @if ($often)
            <p>Too many wrong passwords were tried. If this one is right, a link to sign in is on its way to your address. Or enter a code from your authenticator.</p>
            <input type="hidden" name="often" value="1">
        @endif
        @if ($next)<input type="hidden" name="next" value="{{ $next }}">@endif
        <label class="flex flex-col gap-1">
            <span class="text-soft">Code of your authenticator, or a recovery code</span>
            <input class="field" name="code" autocomplete="one-time-code" inputmode="text" required autofocus maxlength="40">
        </label>
        @if ($fault)<p class="text-rust" role="alert">{{ $fault }}</p>@endif
        <button class="btn btn-strong mt-1 justify-center">Go on</button>
    </form>
    <a class="text-soft underline" href="/sign-in">Begin again</a>
@endsection
