"""Hosts that prices are read from: those that their owner has allowed, and no private address unless by name."""

import ipaddress
import socket
from typing import NamedTuple
from urllib.parse import urlsplit

from django.conf import settings

SCHEMES = {"http": 80, "https": 443}


class NotFetched(Exception):
    """Why a source could not be read, for a person."""


class Allowed(NamedTuple):
    """A host that the owner has allowed: its name and port, and whether it may be a private address."""

    host: str
    port: int
    private: bool = False

    @property
    def told(self) -> str:
        """As it stands in an address."""
        return f"{self.host}:{self.port}"


def host_of(address: str) -> Allowed:
    """The host that `address` names, not yet allowed to be private. Raises `NotFetched` for what is no web address."""
    refusal = f"'{address[:80]}' is no web address; one that begins with http:// or https:// is read."
    try:
        url = urlsplit(address)
        host, port = url.hostname, url.port
    except ValueError as error:
        raise NotFetched(refusal) from error
    if url.scheme not in SCHEMES or not host or "@" in url.netloc or not address.isprintable() or " " in address:
        raise NotFetched(refusal)
    return Allowed(host, port or SCHEMES[url.scheme])


def allowed_host(address: str, wishes_private: bool) -> Allowed:
    """The host of an address that its owner has added, and may it be private: where several people use this machine its
    keeper says that, in the settings. Raises `NotFetched`."""
    host = host_of(address)
    return host._replace(private=wishes_private and (settings.LOCAL or host.told in settings.PRIVATE_HOSTS))


def addresses_of(host: Allowed) -> list[str]:
    """The numbers that the host's name stands for. Raises `NotFetched` where there are none, or any is private and
    that was not allowed."""
    try:
        found = socket.getaddrinfo(host.host, host.port, type=socket.SOCK_STREAM)
    except (OSError, UnicodeError) as error:
        raise NotFetched(f"There is no host '{host.host}'.") from error
    numbers = list(dict.fromkeys(str(entry[4][0]) for entry in found))
    for number in numbers:
        told = ipaddress.ip_address(number.partition("%")[0])
        if (told.is_multicast or not told.is_global) and not host.private:
            raise NotFetched(f"'{host.host}' is {number}, a private address: it is read only where that is allowed.")
    return numbers
