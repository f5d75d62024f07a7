"""Typed endpoints: schema in, one service call, schema out."""
