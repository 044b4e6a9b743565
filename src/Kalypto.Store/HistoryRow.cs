namespace Kalypto.Store;

/// <summary>A change that was made.</summary>
/// <param name="Id">Its number.</param>
/// <param name="Label">What was done.</param>
/// <param name="Who">Who did it, as they call themselves; empty when they did not say.</param>
/// <param name="MadeAt">When.</param>
/// <param name="Undone">True when it was taken back.</param>
/// <param name="UndoneBy">Who took it back; empty for nobody, or when they did not say.</param>
/// <param name="Actor">Tells whose it is.</param>
/// <param name="IsLasting">True for one that undo does not take back.</param>
public sealed record HistoryRow(long Id, string Label, string Who, DateTime MadeAt, bool Undone, string UndoneBy, string Actor, bool IsLasting);
