// SPDX-License-Identifier: GPL-3.0-or-later
// Layouts of one kind (of one-sheets, of sheets of rows, of share pages): the one that is worked with, and
// those that are kept by name in the settings of the library.
#pragma once

#include <QObject>

#include <algorithm>

#include "app/control/library_settings.h"
#include "core/text/text.h"

namespace moorfrost::app {

/// Whatever the kind: for the bar with which layouts are chosen.
class Layouts : public QObject {
    Q_OBJECT
public:
    virtual std::vector<std::string> names() const = 0;
    virtual const std::string& name() const = 0;
    /// The one that is worked with is otherwise than the one of its name that is kept.
    virtual bool isChanged() const = 0;
    virtual bool isKept(const std::string& name) const = 0; // by a person
    virtual void choose(const std::string& name) = 0;
    /// As it is now, under this name, in the place of one of that name.
    virtual void keep(const std::string& name) = 0;
    virtual void forget(const std::string& name) = 0;
    virtual std::string json() const = 0;
    /// One that was handed on. Nothing that is kept gives way: it gets another name, if need be.
    virtual Status takeIn(std::string_view json) = 0;

signals:
    void changed();     // the one that is worked with
    void listChanged(); // those that there are
};

/// A kind of layouts, by the functions and settings that it has.
template<class LayoutOfKind, auto Json, auto FromJson, auto From, auto Named, const auto& Kept,
         const auto& Last>
struct LayoutKind {
    using Layout = LayoutOfKind;
    static std::string json(const Layout& layout) { return Json(layout); }
    static Result<Layout> fromJson(std::string_view json) { return FromJson(json); }
    static std::vector<Layout> from(const std::vector<std::string>& kept) { return From(kept); }
    static const Layout* named(const std::vector<Layout>& all, std::string_view name) {
        return Named(all, name);
    }
    static const auto& kept() { return Kept; }
    static const auto& last() { return Last; }
};

/// `Kind` has: Layout, json(), fromJson(), from() (of what is kept, with those that are shipped), named(),
/// and the settings kept() and last().
template<class Kind>
class KeptLayouts final : public Layouts {
public:
    using Layout = typename Kind::Layout;
    explicit KeptLayouts(LibrarySettings& settings) : settings_(settings) {
        load();
        layout_ = all_.front();
        connect(&settings_, &LibrarySettings::loaded, this, [this] {
            load();
            choose(settings_.get(Kind::last()));
        });
    }

    const Layout& layout() const { return layout_; }
    const std::vector<Layout>& all() const { return all_; }
    void change(Layout layout) {
        if (layout == layout_)
            return;
        layout_ = std::move(layout);
        emit changed();
    }

    std::vector<std::string> names() const override {
        std::vector<std::string> out;
        for (const Layout& one : all_)
            out.push_back(one.name);
        return out;
    }
    const std::string& name() const override { return layout_.name; }
    bool isChanged() const override {
        const Layout* kept = Kind::named(all_, layout_.name);
        return !kept || *kept != layout_;
    }
    bool isKept(const std::string& name) const override {
        return std::ranges::any_of(settings_.get(Kind::kept()), [&](const std::string& one) {
            const auto layout = Kind::fromJson(one);
            return layout && layout->name == name;
        });
    }
    void choose(const std::string& name) override {
        const Layout* layout = Kind::named(all_, name);
        if (!layout)
            layout = &all_.front();
        remember(layout->name);
        change(Layout(*layout));
    }
    void keep(const std::string& name) override {
        Layout layout = layout_;
        layout.name = name;
        std::vector<std::string> kept = keptBut(name);
        kept.push_back(Kind::json(layout));
        settings_.set(Kind::kept(), kept);
        remember(name);
        load();
        layout_ = std::move(layout);
        emit listChanged();
        emit changed();
    }
    void forget(const std::string& name) override {
        settings_.set(Kind::kept(), keptBut(name));
        load();
        choose(name); // one that is shipped, or the first
    }
    std::string json() const override { return Kind::json(layout_); }
    Status takeIn(std::string_view json) override {
        auto layout = Kind::fromJson(json);
        if (!layout)
            return layout.error();
        std::string name = layout->name;
        for (int n = 2; Kind::named(all_, name); ++n)
            name = layout->name + " " + std::to_string(n);
        layout_ = std::move(*layout);
        keep(name);
        return Done{};
    }

private:
    std::vector<std::string> keptBut(const std::string& name) const {
        std::vector<std::string> out;
        for (const std::string& one : settings_.get(Kind::kept()))
            if (const auto other = Kind::fromJson(one); !other || text::fold(other->name) != text::fold(name))
                out.push_back(one);
        return out;
    }
    void load() {
        all_ = Kind::from(settings_.get(Kind::kept()));
        emit listChanged();
    }
    void remember(const std::string& name) {
        if (settings_.get(Kind::last()) != name)
            settings_.set(Kind::last(), name);
    }

    LibrarySettings& settings_;
    Layout layout_;
    std::vector<Layout> all_;
};

} // namespace moorfrost::app
