@extends('sheet')
@section('title', 'Mail that was sent')
@section('heading', 'Mail that was sent')
@section('width', 'w-full max-w-2xl')
@section('content')
    <p class="text-soft">A stand-in takes the mail here and sends nothing on. A real server is a setting.</p>
    @forelse ($mails as $mail)
        <article class="border-t border-line py-3">
            <h2 class="font-semibold">{{ $mail->subject }}</h2>
            <p class="text-[13px] text-soft">to {{ $mail->recipients }}, {{ $mail->caught_at->format('Y-m-d H:i') }} UTC</p>
            <pre class="mt-2 font-[inherit] break-words whitespace-pre-wrap">{{ $mail->textFor($reader) }}</pre>
        </article>
    @empty
        <p>Nothing was sent yet.</p>
    @endforelse
    <a class="text-soft underline" href="/people">To the people</a>
@endsection
