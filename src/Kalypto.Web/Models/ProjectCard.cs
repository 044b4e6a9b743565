namespace Kalypto.Web.Models;

/// <summary>A project on the first page.</summary>
public sealed record ProjectCard(int Id, string Name, IReadOnlyList<ScreenModel> Screens, string Waiting)
{
    /// <summary>Layers that need nobody any more.</summary>
    public int Decided => Screens.Sum(s => s.Decided);

    /// <summary>All layers.</summary>
    public int Total => Screens.Sum(s => s.Total);

    /// <summary>Decided layers in percent.</summary>
    public int Percent => Total == 0 ? 0 : 100 * Decided / Total;
}
