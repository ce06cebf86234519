{!! $name !!},

{!! $what !!} If it was not you, choose a new password at once (“I have forgotten it”), and tell an owner of your team.
