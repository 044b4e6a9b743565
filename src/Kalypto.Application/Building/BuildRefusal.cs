
namespace Kalypto.Application.Building;

/// <summary>Why there can be no build.</summary>
/// <param name="Reason">The reason.</param>
/// <param name="Sentence">The finding that must be settled first; null where it is another reason.</param>
public sealed record BuildRefusal(BuildRefusal.Why Reason, string? Sentence = null)
{
    /// <summary>The reasons.</summary>
    public enum Why
    {
        /// <summary>A finding must be settled first.</summary>
        Blocked,
        /// <summary>Nothing ships yet.</summary>
        NothingShips,
        /// <summary>Something ships, but nothing of the part.</summary>
        NothingOfPart,
        /// <summary>What was said when it was made is not kept.</summary>
        NotKept,
        /// <summary>A drawing is being read again: the same may go well in a moment.</summary>
        NotNow,
        /// <summary>The project is put away.</summary>
        Archived,
    }
}
