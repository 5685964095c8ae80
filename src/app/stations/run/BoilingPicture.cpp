#include "BoilingPicture.h"

#include "app/controls/Grid.h"
#include "app/controls/Labels.h"
#include "app/controls/Theme.h"

#include <QHBoxLayout>
#include <QMenu>
#include <QPushButton>

namespace uttrin::app {

BoilingPicture::BoilingPicture() {
    auto* row = new QHBoxLayout(this);
    row->setContentsMargins(0, 0, 0, 0);
    row->setSpacing(grid::kStep);
    m_thumbnail = new QPushButton;
    m_thumbnail->setObjectName(QStringLiteral("boilingPicture"));
    m_thumbnail->setAccessibleName(tr("How it looks when it boils, as this run means it"));
    m_thumbnail->setToolTip(tr("Look at it large"));
    row->addWidget(m_thumbnail);
    m_sentence = makeLabel({}, "muted");
    m_sentence->setObjectName(QStringLiteral("boilingSentence"));
    row->addWidget(m_sentence, 1);
    m_keep =
        makeLink(tr("Picture of it"), "boilingPictureKeep",
                 tr("A picture of how it looks when it boils, for this run: taken once, it stands beside "
                    "every capture"));
    auto* menu = new QMenu(tr("Picture of it"), m_keep);
    menu->addAction(tr("From a file…"), this, &BoilingPicture::fileRequested)
        ->setObjectName(QStringLiteral("boilingPictureFile"));
    menu->addAction(tr("From the clipboard"), this, &BoilingPicture::pasteRequested)
        ->setObjectName(QStringLiteral("boilingPicturePaste"));
    m_keep->setMenu(menu);
    row->addWidget(m_keep);
    connect(m_thumbnail, &QPushButton::clicked, this, &BoilingPicture::lookRequested);
}

void BoilingPicture::show(const QString& sentence, const QImage& picture, bool canKeep) {
    m_sentence->setText(sentence);
    m_thumbnail->setVisible(!picture.isNull());
    m_keep->setVisible(canKeep);
    if (picture.isNull()) return;
    const bool low = window()->height() < scaled(740); // px: the map needs the height
    const QSize size = low ? QSize(scaled(40), scaled(30)) : QSize(scaled(80), scaled(60));
    m_thumbnail->setIconSize(size);
    m_thumbnail->setFixedSize(size + QSize(scaled(8), scaled(8)));
    m_thumbnail->setIcon(QPixmap::fromImage(
        picture.scaled(size * devicePixelRatioF(), Qt::KeepAspectRatio, Qt::SmoothTransformation)));
}

} // namespace uttrin::app

#include "moc_BoilingPicture.cpp"
