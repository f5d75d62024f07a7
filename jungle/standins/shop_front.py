"""A stand-in shop: its pages, its catalogue as a feed, and its terms, each shop in a form of its own."""

import csv
import io
import json
from collections.abc import Callable, Mapping, Sequence
from html import escape

from core.formats.report_json.shops import shop_json
from core.model.shops import Market, SoldAs
from core.quantities import UnitSystem
from jungle.standins.answer import NOT_FOUND, Answer
from jungle.standins.goods import Article, Goods

JSON, CSV, HTML = "application/json", "text/csv; charset=utf-8", "text/html; charset=utf-8"
ROBOTS = Answer(b"User-agent: *\nDisallow: /basket\nDisallow: /till\n")
CONDITIONS: Mapping[SoldAs, str] = {
    SoldAs.NEW: "NewCondition",
    SoldAs.REFURBISHED: "RefurbishedCondition",
    SoldAs.EX_DISPLAY: "UsedCondition",
    SoldAs.USED: "UsedCondition",
}


def front_answer(goods: Goods, path: str, origin: str) -> Answer:
    """What the shop sends for `path`; `origin` is where it is, for what it links to."""
    if path == "/robots.txt":
        return ROBOTS
    if path == "/":
        return _page(goods.shop.name, _welcome(goods))
    if path == "/terms":
        return _page(f"Terms of {goods.shop.name}", _terms(goods))
    if path == CATALOGUE_AT[goods.shop.id]:
        return CATALOGUES[goods.shop.id](goods, origin)
    article = goods.at(path)
    return _page(_called(article), _as_json_ld([article], goods, origin)) if article else NOT_FOUND


def _json_feed(goods: Goods, origin: str) -> Answer:
    """Its own words, flat, with what things cost outside a sale."""
    rows = [
        {
            "sku": article.number,
            "brand": article.sheet.maker,
            "title": _name(article),
            "price": article.price,
            "list_price": f"{article.regular_minor / 100:.2f}",
            "currency": goods.shop.currency,
            "availability": "in stock" if article.in_stock else "out of stock",
            "condition": article.offer.sold_as.value,
            "shipping_class": "bulky" if article.is_bulky else "parcel",
            "link": f"{origin}{article.path}",
        }
        for article in goods.articles
    ]
    return Answer(json.dumps({"shop": goods.shop.name, "products": rows}).encode(), JSON)


def _nested_feed(goods: Goods, origin: str) -> Answer:
    """Each thing with its offer inside, and prices before tax."""
    rows = [
        {
            "mpn": article.number,
            "brand": {"name": article.sheet.maker},
            "name": _name(article),
            "offers": [
                {
                    "price": article.minor / 100,
                    "priceCurrency": goods.shop.currency,
                    "valueAddedTaxIncluded": False,
                    "availability": _stock(article),
                    "itemCondition": f"https://schema.org/{CONDITIONS[article.offer.sold_as]}",
                    "url": f"{origin}{article.path}",
                }
            ],
        }
        for article in goods.articles
    ]
    return Answer(json.dumps({"catalogue": {"items": rows}}).encode(), JSON)


def _comma_table(goods: Goods, origin: str) -> Answer:
    """A plain table."""
    heading = ("id", "maker", "name", "price", "currency", "stock", "condition", "delivery", "url")
    rows = [
        (
            article.number,
            article.sheet.maker,
            _name(article),
            article.price,
            goods.shop.currency,
            "yes" if article.in_stock else "no",
            article.offer.sold_as.value,
            "bulky" if article.is_bulky else "parcel",
            f"{origin}{article.path}",
        )
        for article in goods.articles
    ]
    return Answer(_table(heading, rows, ","), CSV)


def _continental_table(goods: Goods, origin: str) -> Answer:
    """Semicolons between columns, commas for decimals, and only what is in stock."""
    heading = ("Article", "Manufacturer", "Item", "Price", "Condition")
    rows = [
        (
            article.number,
            article.sheet.maker,
            _name(article),
            f"{article.minor / 100:,.2f} €".replace(",", " ").replace(".", ","),
            article.offer.sold_as.value,
        )
        for article in goods.articles
        if article.in_stock
    ]
    return Answer(_table(heading, rows, ";"), CSV)


def _listing_with_json_ld(goods: Goods, origin: str) -> Answer:
    return _page("All that we have", _as_json_ld(goods.articles, goods, origin))


def _listing_with_microdata(goods: Goods, origin: str) -> Answer:
    """Single pieces: what is gone is not listed any more."""
    there = (article for article in goods.articles if article.in_stock)
    return _page("What came in", "".join(_as_microdata(article, goods, origin) for article in there))


CATALOGUES: Mapping[str, Callable[[Goods, str], Answer]] = {
    "larkmoor": _json_feed,
    "codling-pike": _comma_table,
    "pairwell": _listing_with_json_ld,
    "slatebrook": _continental_table,
    "overfen-imports": _nested_feed,
    "turnagain": _listing_with_microdata,
}
CATALOGUE_AT: Mapping[str, str] = {
    "larkmoor": "/feed.json",
    "codling-pike": "/feed.csv",
    "pairwell": "/everything",
    "slatebrook": "/prices.csv",
    "overfen-imports": "/feed.json",
    "turnagain": "/what-came-in",
}
"""Where each shop tells all that it has."""


def _name(article: Article) -> str:
    return article.sheet.name if article.offer.sold_as is SoldAs.NEW else f"{article.sheet.name}, {_state(article)}"


def _state(article: Article) -> str:
    return article.offer.sold_as.value


def _called(article: Article) -> str:
    return f"{article.sheet.maker} {_name(article)}"


def _stock(article: Article) -> str:
    return "https://schema.org/InStock" if article.in_stock else "https://schema.org/OutOfStock"


def _table(heading: tuple[str, ...], rows: Sequence[tuple[str, ...]], delimiter: str) -> bytes:
    written = io.StringIO()
    csv.writer(written, delimiter=delimiter).writerows([heading, *rows])
    return written.getvalue().encode()


def _as_json_ld(articles: Sequence[Article], goods: Goods, origin: str) -> str:
    told = [
        {
            "@context": "https://schema.org",
            "@type": "Product",
            "sku": article.number,
            "name": _name(article),
            "brand": {"@type": "Brand", "name": article.sheet.maker},
            "offers": {
                "@type": "Offer",
                "price": article.price,
                "priceCurrency": goods.shop.currency,
                "availability": _stock(article),
                "itemCondition": f"https://schema.org/{CONDITIONS[article.offer.sold_as]}",
                "url": f"{origin}{article.path}",
            },
        }
        for article in articles
    ]
    script = json.dumps(told).replace("<", "\\u003c")
    lines = "".join(
        f'<li><a href="{escape(article.path)}">{escape(_called(article))}</a>: '
        f"{article.price} {goods.shop.currency}{'' if article.in_stock else ', sold out'}</li>"
        for article in articles
    )
    return f'<script type="application/ld+json">{script}</script><ul>{lines}</ul>'


def _as_microdata(article: Article, goods: Goods, origin: str) -> str:
    return (
        '<div itemscope itemtype="https://schema.org/Product">'
        f'<a itemprop="url" href="{escape(origin + article.path)}"><span itemprop="name">{escape(_name(article))}'
        f'</span></a> by <span itemprop="brand">{escape(article.sheet.maker)}</span>'
        f'<meta itemprop="sku" content="{escape(article.number)}">'
        '<div itemprop="offers" itemscope itemtype="https://schema.org/Offer">'
        f'<span itemprop="price" content="{article.price}">{article.price}</span> '
        f'<span itemprop="priceCurrency">{escape(goods.shop.currency)}</span>'
        f'<link itemprop="availability" href="{_stock(article)}">'
        f'<link itemprop="itemCondition" href="https://schema.org/{CONDITIONS[article.offer.sold_as]}">'
        "</div></div>"
    )


def _welcome(goods: Goods) -> str:
    at = CATALOGUE_AT[goods.shop.id]
    return (
        f"<p>A made-up shop that ships with the application. {len(goods.articles)} things, as of {goods.day}.</p>"
        f'<p><a href="{at}">All of them</a>, <a href="/terms">our terms</a>.</p>'
    )


def _terms(goods: Goods) -> str:
    told = shop_json(goods.shop, Market((goods.shop,)), UnitSystem.METRIC)
    return "<ul>" + "".join(f"<li>{escape(words)}</li>" for words in told.terms) + "</ul>"


def _page(title: str, body: str) -> Answer:
    told = escape(title)
    text = (
        f'<!doctype html><html lang="en"><meta charset="utf-8"><title>{told}</title>'
        f"<body><h1>{told}</h1>{body}</body></html>"
    )
    return Answer(text.encode(), HTML)
