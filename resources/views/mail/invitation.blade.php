{!! $person !!},

{!! $shop !!} invites you to Pebblerun as {{ $role }}.

Come in here; the link is good for two days and once:

{!! $link !!}

If you expected nothing like that, leave it: nothing happens without you.
