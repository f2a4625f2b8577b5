@extends('sheet')
@section('title', 'Health')
@section('heading', 'Health')
@section('width', 'w-full max-w-xl')
@section('content')
    <table class="w-full">
        @foreach ($checks as $check)
            <tr class="border-t border-line">
                <th class="py-2 pr-4 text-left font-medium">{{ $check['name'] }}</th>
                <td class="pr-4 whitespace-nowrap {{ ['good' => 'text-moss', 'doubtful' => 'text-straw', 'bad' => 'text-rust'][$check['state']] }}">{{ ['good' => '● good', 'doubtful' => '◐ look at it', 'bad' => '▲ bad'][$check['state']] }}</td>
                <td class="text-soft">{{ $check['words'] }}</td>
            </tr>
        @endforeach
    </table>
    <p class="text-soft">Pebblerun {{ $version }}. Monitors read /up.</p>
    <a class="text-soft underline" href="/people">To the people</a>
@endsection
