using System.Globalization;
using Kalypto.Store;

namespace Kalypto.Web.Models;

/// <summary>A change as the history shows it.</summary>
public sealed record HistoryModel(long Id, string Label, string Who, string When, bool Undone)
{
    /// <summary>Makes it out of a row of the store.</summary>
    public static HistoryModel Of(HistoryRow row) => new(row.Id, row.Label, row.Who.Length == 0 ? "somebody" : row.Who, row.MadeAt.ToString("yyyy-MM-ddTHH:mm:ssZ", CultureInfo.InvariantCulture), row.Undone);
}
