"""Long work outside the processes that answer requests: told how far it is, cancelled, and never done twice."""
