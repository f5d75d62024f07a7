"""Settings, all from the environment; without any, the local mode for one person on one machine."""

import os
from contextlib import suppress
from pathlib import Path

import environ
from csp.constants import NONE, SELF
from django.core.exceptions import ImproperlyConfigured
from django.core.management.utils import get_random_secret_key

BASE_DIR = Path(__file__).resolve().parent.parent
env = environ.Env()

LOCAL = env.bool("JUNGLE_LOCAL", default=True)
"""One owner, signed in by itself, on a loopback address. Otherwise a sign-in page guards everything."""
DEBUG = env.bool("JUNGLE_DEBUG", default=False)
DATA_DIR = Path(env.str("JUNGLE_DATA_DIR", default=str(BASE_DIR / "var")))
DATA_DIR.mkdir(parents=True, exist_ok=True, mode=0o700)
with suppress(OSError):  # It may belong to somebody else, or be read-only; then it stays as it is.
    DATA_DIR.chmod(0o700)
os.umask(0o077)
TRUSTED_PROXIES = frozenset(env.list("JUNGLE_TRUSTED_PROXIES", default=[]))
"""Addresses of the proxies before this server, `unix` for one that comes over a unix socket: only they are believed
about where a request comes from."""


def _secret_key() -> str:
    given = str(env.str("JUNGLE_SECRET_KEY", default=""))
    if given:
        return given
    if not LOCAL:
        raise ImproperlyConfigured("JUNGLE_SECRET_KEY must be set when JUNGLE_LOCAL=0")
    kept = DATA_DIR / "secret-key"
    if not kept.exists():
        kept.write_text(get_random_secret_key())
        kept.chmod(0o600)
    return kept.read_text()


SECRET_KEY = _secret_key()
ALLOWED_HOSTS = ["127.0.0.1", "localhost", "[::1]"] if LOCAL else env.list("JUNGLE_ALLOWED_HOSTS", default=[])
CSRF_TRUSTED_ORIGINS = env.list("JUNGLE_TRUSTED_ORIGINS", default=[])

INSTALLED_APPS = [
    "django.contrib.auth",
    "django.contrib.contenttypes",
    "django.contrib.sessions",
    "django.contrib.staticfiles",
    "axes",
    "csp",
    "django_vite",
    "jungle.catalogue",
    "jungle.market",
    "jungle.builds",
    "jungle.watching",
    "django_tasks",
    "django_tasks_db",
    "jungle.worker",
    "jungle.standins",
    "jungle.demo",
    "jungle.web",
]
MIDDLEWARE = [
    "jungle.web.trace.TraceMiddleware",
    "jungle.web.bounds.BoundsMiddleware",
    "jungle.web.client.TrustedProxyMiddleware",
    "django.middleware.security.SecurityMiddleware",
    "jungle.web.headers.SameOriginMiddleware",
    "whitenoise.middleware.WhiteNoiseMiddleware",
    "csp.middleware.CSPMiddleware",
    "django.contrib.sessions.middleware.SessionMiddleware",
    "django.middleware.common.CommonMiddleware",
    "django.middleware.csrf.CsrfViewMiddleware",
    "django.contrib.auth.middleware.AuthenticationMiddleware",
    "jungle.web.local.LocalOwnerMiddleware",
    "django.middleware.clickjacking.XFrameOptionsMiddleware",
    "axes.middleware.AxesMiddleware",
]
ROOT_URLCONF = "jungle.urls"
WSGI_APPLICATION = "jungle.wsgi.application"
TEMPLATES = [
    {
        "BACKEND": "django.template.backends.django.DjangoTemplates",
        "DIRS": [BASE_DIR / "jungle" / "templates"],
        "OPTIONS": {"context_processors": ["django.template.context_processors.request"]},
    }
]

BUSY_TIMEOUT_MS = 1500
"""Then a request answers that others are writing, and the page repeats it."""
DATABASES = {
    "default": {
        "ENGINE": "django.db.backends.sqlite3",
        "NAME": DATA_DIR / "jungle.sqlite3",
        # Opening one anew wants a little of the disk; one that is open can still read when that is full.
        "CONN_MAX_AGE": None,
        "OPTIONS": {
            # Writers queue for the lock at BEGIN; deferred ones would fail half-way with 'database is locked'.
            "transaction_mode": "IMMEDIATE",
            "init_command": (
                f"PRAGMA journal_mode={env.str('JUNGLE_JOURNAL_MODE', default='WAL')};"
                f"PRAGMA synchronous=NORMAL;PRAGMA busy_timeout={BUSY_TIMEOUT_MS};PRAGMA foreign_keys=ON;"
            ),
        },
        # A file, because live-server tests share one connection on an in-memory database.
        "TEST": {"NAME": DATA_DIR / "test.sqlite3"},
    }
}
EMAIL_BACKEND = env.str("JUNGLE_EMAIL_BACKEND", default="jungle.standins.mailbox.Mailbox")
"""Without another one mail goes into a folder that is shown in the application: nothing leaves this machine."""
DEFAULT_FROM_EMAIL = env.str("JUNGLE_MAIL_FROM", default="jungle@localhost")
EMAIL_HOST = env.str("JUNGLE_MAIL_HOST", default="localhost")
EMAIL_PORT = env.int("JUNGLE_MAIL_PORT", default=25)
EMAIL_HOST_USER = env.str("JUNGLE_MAIL_USER", default="")
EMAIL_HOST_PASSWORD = env.str("JUNGLE_MAIL_PASSWORD", default="")
EMAIL_USE_TLS = env.bool("JUNGLE_MAIL_TLS", default=False)
MAILBOX = DATA_DIR / "mailbox"
PRIVATE_HOSTS = env.list("JUNGLE_PRIVATE_HOSTS", default=[])
"""Hosts such as `shop.home:8080` with a private address that prices may be read from where several people use this;
somebody alone on one machine says so of each source."""
STANDINS_PORT = env.int("JUNGLE_STANDINS_PORT", default=env.int("JUNGLE_PORT", default=8321) + 10)
"""The first of the ports on which the sample world's shops stand, one after the other."""
TASKS = {"default": {"BACKEND": "django_tasks_db.DatabaseBackend"}}
"""Tasks wait in the same database, so that asking for one and what it is asked for are stored together."""
DEFAULT_AUTO_FIELD = "django.db.models.BigAutoField"

AUTHENTICATION_BACKENDS = [
    "axes.backends.AxesStandaloneBackend",
    "django.contrib.auth.backends.ModelBackend",
]
PASSWORD_HASHERS = ["django.contrib.auth.hashers.Argon2PasswordHasher"]
AUTH_PASSWORD_VALIDATORS = [
    {"NAME": "django.contrib.auth.password_validation.UserAttributeSimilarityValidator"},
    {"NAME": "django.contrib.auth.password_validation.MinimumLengthValidator", "OPTIONS": {"min_length": 10}},
    {"NAME": "django.contrib.auth.password_validation.CommonPasswordValidator"},
]
LOGIN_URL = "login"
LOGIN_REDIRECT_URL = "/"
LOGOUT_REDIRECT_URL = "login"
AXES_HANDLER = "jungle.web.sign_in.SignInLimits"
AXES_FAILURE_LIMIT = 8
AXES_COOLOFF_TIME = 1  # hours
AXES_RESET_COOL_OFF_ON_FAILURE_DURING_LOCKOUT = False
AXES_LOCKOUT_PARAMETERS = [["username", "ip_address"], "ip_address"]
AXES_LOCKOUT_TEMPLATE = "registration/locked.html"
AXES_CLIENT_IP_CALLABLE = "jungle.web.client.address_for_limits"
AXES_DISABLE_ACCESS_LOG = True
AXES_RESET_ON_SUCCESS = False

LANGUAGE_CODE = "en"
USE_TZ = True
SILENCED_SYSTEM_CHECKS = ["security.W005", "security.W021"]
"""Subdomains and preloading are a choice of whoever runs this: `JUNGLE_HSTS_PRELOAD`."""
TIME_ZONE = "UTC"

STATIC_URL = "/static/"
STATIC_ROOT = DATA_DIR / "static"
STATIC_ROOT.mkdir(exist_ok=True)
FRONTEND_DIST = BASE_DIR / "frontend" / "dist"
STATICFILES_DIRS = [FRONTEND_DIST] if FRONTEND_DIST.exists() else []
STORAGES = {
    "default": {"BACKEND": "django.core.files.storage.FileSystemStorage"},
    # Vite names files by their content already; a manifest storage would hash them twice.
    "staticfiles": {"BACKEND": "whitenoise.storage.CompressedStaticFilesStorage"},
}


def _named_by_content(path: str, url: str) -> bool:
    return url.startswith("/static/assets/")


WHITENOISE_IMMUTABLE_FILE_TEST = _named_by_content
DJANGO_VITE = {
    "default": {
        "dev_mode": DEBUG,
        "manifest_path": FRONTEND_DIST / "manifest.json",
        "dev_server_port": env.int("JUNGLE_VITE_PORT", default=5173),
    }
}

_VITE_DEV = "http://localhost:5173"
CONTENT_SECURITY_POLICY = {
    "DIRECTIVES": {
        "default-src": [NONE],
        "script-src": [SELF, *([_VITE_DEV] if DEBUG else [])],
        "style-src": [SELF, *(["'unsafe-inline'"] if DEBUG else [])],
        "font-src": [SELF, *([_VITE_DEV] if DEBUG else [])],
        "img-src": [SELF, "data:"],
        "connect-src": [SELF, *([_VITE_DEV, "ws://localhost:5173"] if DEBUG else [])],
        "form-action": [SELF],
        "base-uri": [NONE],
        "frame-ancestors": [NONE],
    }
}

DATA_UPLOAD_MAX_MEMORY_SIZE = 512 * 1024
DATA_UPLOAD_MAX_NUMBER_FILES = 1
SECURE_CROSS_ORIGIN_OPENER_POLICY = "same-origin"
SESSION_COOKIE_AGE = 60 * 60 * 24 * 90
SESSION_COOKIE_SAMESITE = "Lax"
CSRF_COOKIE_SAMESITE = "Lax"
X_FRAME_OPTIONS = "DENY"
SECURE_REFERRER_POLICY = "same-origin"
if not LOCAL and env.bool("JUNGLE_HTTPS", default=True):
    SECURE_SSL_REDIRECT = True
    SECURE_REDIRECT_EXEMPT = [r"^healthz$"]
    SECURE_PROXY_SSL_HEADER = ("HTTP_X_FORWARDED_PROTO", "https")
    SECURE_HSTS_SECONDS = env.int("JUNGLE_HSTS_SECONDS", default=60 * 60 * 24 * 365)
    SECURE_HSTS_INCLUDE_SUBDOMAINS = SECURE_HSTS_PRELOAD = env.bool("JUNGLE_HSTS_PRELOAD", default=False)
    SESSION_COOKIE_SECURE = True
    CSRF_COOKIE_SECURE = True

LOGGING = {
    "version": 1,
    "disable_existing_loggers": False,
    "filters": {"trace": {"()": "jungle.web.trace.TraceFilter"}},
    "formatters": {
        "line": {"format": "%(asctime)s %(levelname)s [%(request_id)s person %(who)s] %(name)s: %(message)s"}
    },
    "handlers": {"console": {"class": "logging.StreamHandler", "filters": ["trace"], "formatter": "line"}},
    "root": {"handlers": ["console"], "level": "WARNING"},
    "loggers": {
        # A refusal is the answer that was asked for; failures are told by `jungle`, with their traceback.
        "django.request": {"level": "CRITICAL"},
        "django.security": {"level": "ERROR"},
        "axes": {"level": "WARNING"},
    },
}
