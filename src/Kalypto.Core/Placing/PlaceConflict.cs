namespace Kalypto.Core.Placing;

/// <summary>A file that stands in the way of a delivery.</summary>
/// <param name="Path">Where it lies.</param>
/// <param name="Why">Why it is not simply written over or removed.</param>
public sealed record PlaceConflict(string Path, PlaceConflict.Reason Why)
{
    /// <summary>The reasons.</summary>
    public enum Reason
    {
        /// <summary>Kalypto wrote it, and somebody changed it since.</summary>
        ChangedByHand,
        /// <summary>Somebody else's file lies where one is to be written.</summary>
        InTheWay,
    }
}
