{!! $person !!},

{!! $what !!} at Pebblerun on {{ $when }}.

If that was not you, choose a new password now, and tell the owner of your shop:

{!! $link !!}
