"""One function for each thing a person does: atomic, naming its actor, called by API, shell and demo alike."""
