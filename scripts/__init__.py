"""What is run from the shell beside Django's own commands."""
