@extends('sheet')
@section('title', $title)
@section('content')
    <p class="font-semibold">{{ $title }}</p>
    <p>{{ $message }}</p>
    <a class="text-soft underline" href="/">To the counter</a>
@endsection
