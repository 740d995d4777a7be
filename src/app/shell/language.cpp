// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/shell/language.h"

#include <QApplication>
#include <QFile>
#include <QLibraryInfo>
#include <QLocale>
#include <QSettings>
#include <QTranslator>

#include <algorithm>

#include "app/shell/core_sentences.h"

namespace moorfrost::app::language {

namespace {
constexpr const char* settingKey = "language";
QString installed = "en";

/// Texts that are told outside of a class are filed under other names than they are asked by: with or without
/// the namespace, or under the namespace alone. Words of the core are asked for by whoever shows them
/// (core_words.cpp).
class Texts : public QTranslator {
public:
    using QTranslator::QTranslator;
    QString translate(const char* context, const char* source, const char* disambiguation,
                      int n) const override {
        QString text = QTranslator::translate(context, source, disambiguation, n);
        const QByteArray name(context);
        const QByteArray space("moorfrost::app");
        if (text.isNull())
            text =
                QTranslator::translate(name.startsWith(space + "::") ? name.mid(space.size() + 2).constData()
                                                                     : (space + "::" + name).constData(),
                                       source, disambiguation, n);
        if (text.isNull())
            text = QTranslator::translate(space.constData(), source, disambiguation, n);
        if (text.isNull())
            text = QTranslator::translate("core", source, disambiguation, n);
        return text;
    }
};

} // namespace

const std::vector<std::pair<QString, QString>>& all() {
    static const std::vector<std::pair<QString, QString>> languages = {{"en", "English"}, {"de", "Deutsch"}};
    return languages;
}

QString chosen() {
    const QString key = QSettings().value(settingKey, "en").toString();
    const bool isOne = std::ranges::any_of(all(), [&](const auto& one) { return one.first == key; });
    return isOne ? key : QString("en");
}

void choose(const QString& key) {
    QSettings().setValue(settingKey, key);
}

QString inUse() {
    return installed;
}

QString inSentence(const QString& name) {
    return installed == "de" ? name : name.toLower();
}

void install(const QString& key) {
    installed = key;
    auto add = [](const QString& file, const QString& folder) {
        auto* texts = new Texts(qApp);
        if (texts->load(file, folder))
            QApplication::installTranslator(texts);
        else
            delete texts;
    };
    // What Qt says itself, in its dialogs.
    add("qtbase_" + key, QLibraryInfo::path(QLibraryInfo::TranslationsPath));
    add("moorfrost_" + key, ":/i18n");
    if (QFile file(":/i18n/sentences_" + key + ".json"); file.open(QIODevice::ReadOnly))
        installSentences(file.readAll());
    if (key != "en" && QLocale::system().language() != QLocale(key).language())
        QLocale::setDefault(QLocale(key));
}

} // namespace moorfrost::app::language
