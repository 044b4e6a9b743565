using System.Globalization;
using Kalypto.Store;

namespace Kalypto.Web.Models;

/// <summary>A change as the history shows it.</summary>
/// <param name="Id">Its number.</param>
/// <param name="Label">What was done.</param>
/// <param name="Who">Who did it.</param>
/// <param name="When">When, in UTC.</param>
/// <param name="Undone">True when it was taken back.</param>
/// <param name="UndoneBy">Who took it back.</param>
/// <param name="Mine">True for a step of whoever looks.</param>
/// <param name="IsLasting">True for one that is not taken back by undo.</param>
public sealed record HistoryModel(long Id, string Label, string Who, string When, bool Undone, string UndoneBy, bool Mine, bool IsLasting)
{
    /// <summary>Makes it out of a row of the store.</summary>
    public static HistoryModel Of(HistoryRow row, Actor viewer) => new(row.Id, row.Label, NameOf(row.Who), row.MadeAt.ToString("yyyy-MM-ddTHH:mm:ssZ", CultureInfo.InvariantCulture), row.Undone,
        NameOf(row.UndoneBy), viewer.Id.Length > 0 && row.Actor == viewer.Id, row.IsLasting);

    private static string NameOf(string who) => who.Length == 0 ? "somebody" : who;
}
