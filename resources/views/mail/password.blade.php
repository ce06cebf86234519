{!! $name !!},

somebody, likely you, wants a new password for Bowline. Choose one here within an hour:

{!! $link !!}

If it was not you, nothing has to be done: the password stays as it is.
