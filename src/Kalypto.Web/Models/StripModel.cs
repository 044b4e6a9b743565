namespace Kalypto.Web.Models;

/// <summary>The screens beside one on its bench. A project can have hundreds, and all of them are on the page of screens.</summary>
/// <param name="Screens">Those that are shown, in their order.</param>
/// <param name="Here">The one that is on the bench.</param>
/// <param name="Before">How many there are before them.</param>
/// <param name="After">How many there are behind them.</param>
public sealed record StripModel(IReadOnlyList<ScreenModel> Screens, ScreenModel Here, int Before, int After)
{
    /// <summary>The most that are shown on either side.</summary>
    public const int Reach = 12;
}
