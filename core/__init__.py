"""The job of planning a golf simulator at home, in pure Python: no Django, no network, no clock."""
