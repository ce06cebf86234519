{!! $name !!},

{!! $from !!} invites you to {!! $team !!} on Bowline. Choose a password here within {!! $days !!} days:

{!! $link !!}
