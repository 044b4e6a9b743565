using Kalypto.Application.Desk;
using Kalypto.Application.Packs;
using Kalypto.Core.Fonts;
using Kalypto.Core.Typography;
using Kalypto.Web.Models;

namespace Kalypto.Web.Pages;

/// <summary>Which fonts do the drawings ask for, and what do they get?</summary>
public sealed class FontsPage(PlanPack plans, DrawingDesk desk) : ProjectPage(plans, "Fonts")
{
    /// <summary>The families, those that are not there first.</summary>
    public IReadOnlyList<FontRow> Rows { get; private set; } = [];

    /// <summary>The fonts that the project has of its own.</summary>
    public FontBook Book => FontBook.Read(Workspace.Row.Fonts);

    /// <summary>How many layers ask for a font.</summary>
    public int LayersOf(Font font) => Rows.Where(r => r.Use.Own.Any(f => f.Sha256 == font.Sha256)).Sum(r => r.Use.Layers.Length);

    /// <summary>Shows them.</summary>
    public void OnGet() => Rows = FontRow.Of(Workspace, FontUses.Of(Workspace.States, desk.StandInFor));
}
