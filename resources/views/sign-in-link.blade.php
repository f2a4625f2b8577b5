@extends('sheet')
@section('title', 'Sign in')
@section('content')
    <form class="flex flex-col gap-3" method="post">
        <p>There were many wrong passwords for this account. If you typed the right one, go on.</p>
        <button class="btn btn-strong mt-1 justify-center" autofocus>Sign in</button>
    </form>
    <a class="text-soft underline" href="/forgotten">That was not me: choose a new password</a>
@endsection
