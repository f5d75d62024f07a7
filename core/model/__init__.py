"""What a build is made of: brief, room, layout, parts and the chain they hang on. Frozen, typed, validated."""
