// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/shell/core_sentences.h"

#include <QCoreApplication>
#include <QHash>
#include <QJsonDocument>
#include <QJsonObject>
#include <QMutex>
#include <QRegularExpression>

#include <algorithm>
#include <vector>

#include "core/tags/fields.h"

namespace moorfrost::app {

namespace {

struct Template {
    QString longest; // of what stands between the places: looked for first, it is quick
    QRegularExpression pattern;
    std::vector<bool> quoted; // by place: a value in quotes is never translated
    QString translation;
    qsizetype letters = 0; // that are not put in
};

class Sentences {
public:
    bool take(const QByteArray& json) {
        const QJsonDocument document = QJsonDocument::fromJson(json);
        if (!document.isObject())
            return false;
        const QJsonObject all = document.object();
        whole_.clear();
        templates_.clear();
        for (auto it = all.begin(); it != all.end(); ++it)
            if (it.value().isString())
                add(it.key(), it.value().toString());
        // The most particular first: "%1 files are as likely." before "%1 files".
        std::ranges::stable_sort(templates_, std::greater<>(), &Template::letters);
        return true;
    }
    bool isEmpty() const { return whole_.isEmpty() && templates_.empty(); }

    QString say(const QString& sentence) {
        QMutexLocker lock(&mutex_);
        constexpr qsizetype most = 4000;
        if (const auto known = kept_.constFind(sentence); known != kept_.constEnd())
            return *known;
        if (kept_.size() >= most)
            kept_.clear();
        return *kept_.insert(sentence, translated(sentence, 0));
    }

private:
    /// What the core adds to something else (" on disc 2"), or adds something to ("same name as "), has a
    /// place at that end.
    void add(QString key, QString translation) {
        if (!key.contains('%')) {
            whole_[key] = translation;
            if (key.endsWith(' ') && !key.startsWith(',')) {
                key += "%1";
                translation += "%1";
            } else if (key.startsWith(' ') || key.startsWith(',') || key.startsWith(':') ||
                       key.startsWith(';')) {
                key = "%1" + key;
                translation = "%1" + translation;
            } else {
                return;
            }
        }
        Template t;
        static const QRegularExpression place("%\\d");
        QString pattern;
        qsizetype at = 0;
        for (const auto& m : place.globalMatch(key)) {
            const QString between = key.mid(at, m.capturedStart() - at);
            if (between.size() > t.longest.size())
                t.longest = between;
            t.letters += between.size();
            pattern += QRegularExpression::escape(between) + "(.*?)";
            at = m.capturedEnd();
            t.quoted.push_back(between.endsWith('"') && key.mid(at).startsWith('"'));
        }
        const QString rest = key.mid(at);
        if (rest.size() > t.longest.size())
            t.longest = rest;
        t.letters += rest.size();
        t.pattern = QRegularExpression(
            QRegularExpression::anchoredPattern(pattern + QRegularExpression::escape(rest)),
            QRegularExpression::DotMatchesEverythingOption);
        t.translation = translation;
        templates_.push_back(std::move(t));
    }

    static bool isField(const QString& label) {
        return std::ranges::any_of(tags::fieldTable(), [&](const tags::FieldDef& field) {
            return label == QString::fromStdString(field.label);
        });
    }
    /// Empty when nothing is known of it.
    QString known(const QString& text, int depth) const {
        if (text.isEmpty()) // between two commas
            return {};
        if (const auto whole = whole_.constFind(text); whole != whole_.constEnd())
            return *whole;
        // Put into a sentence, a single word with a capital may be a title ("Never"): unless it is a field.
        if (depth == 0 || text.contains(' ') || text[0].isLower() || isField(text))
            if (QString word = QCoreApplication::translate("core", text.toUtf8().constData()); word != text)
                return word;
        for (const Template& t : templates_) {
            if (!text.contains(t.longest))
                continue;
            const auto m = t.pattern.match(text);
            if (!m.hasMatch())
                continue;
            QString out;
            for (qsizetype i = 0; i < t.translation.size(); ++i) {
                // "%1"; "%=1": a value, which stays as it is.
                const QChar c = t.translation[i];
                const bool stays = c == '%' && t.translation.mid(i + 1, 1) == "=";
                const qsizetype at = i + (stays ? 2 : 1);
                const int place = c == '%' && at < t.translation.size() ? t.translation[at].digitValue() : -1;
                if (place < 1) {
                    out += c;
                    continue;
                }
                const QString value = m.captured(place);
                out +=
                    stays || t.quoted[static_cast<size_t>(place - 1)] ? value : translated(value, depth + 1);
                i = at;
            }
            return out;
        }
        return {};
    }

    QString translated(const QString& text, int depth) const {
        constexpr int deepest = 6;
        constexpr qsizetype longest = 4000; // a sentence is shorter; a value need not be
        if (depth > deepest || text.isEmpty() || text.size() > longest)
            return text;
        if (QString one = known(text, depth); !one.isEmpty())
            return one;
        // Several sentences, or several things in a row; "date: 1989 / 1998?".
        struct Joint {
            const char *in, *out, *end; // `end`: of each part but the last, which the joint has taken along
        };
        static const Joint joints[] = {
            {". ", ". ", "."},           {"; ", "; ", ""}, {" \u00B7 ", " \u00B7 ", ""},
            {", else ", ", sonst ", ""}, {", ", ", ", ""}, {": ", ": ", ""}};
        for (const Joint& joint : joints) {
            const QString end = joint.end;
            const QStringList parts = text.split(QString::fromUtf8(joint.in));
            if (parts.size() < 2)
                continue;
            bool any = false;
            QStringList out;
            for (qsizetype i = 0; i < parts.size(); ++i) {
                const bool last = i + 1 == parts.size();
                const QString asked = last ? parts[i] : parts[i] + end;
                QString part = known(asked, depth + 1);
                any = any || !part.isEmpty();
                if (part.isEmpty())
                    part = asked;
                out << (last || end.isEmpty() || !part.endsWith(end) ? part : part.chopped(end.size()));
            }
            if (any)
                return out.join(QString::fromUtf8(joint.out));
        }
        return text;
    }

    QHash<QString, QString> whole_;
    std::vector<Template> templates_;
    QMutex mutex_; // guards kept_
    QHash<QString, QString> kept_;
};

Sentences& sentences() {
    static Sentences all;
    return all;
}

} // namespace

QString spoken(const std::string& sentence) {
    QString text = QString::fromUtf8(sentence.data(), static_cast<qsizetype>(sentence.size()));
    return sentences().isEmpty() ? text : sentences().say(text);
}

bool language::installSentences(const QByteArray& json) {
    return sentences().take(json);
}

} // namespace moorfrost::app
