namespace Kalypto.Core.Comparing;

/// <summary>What speaks most for a pair.</summary>
public enum PairReason
{
    /// <summary>The same drawing in the same place.</summary>
    Unchanged,
    /// <summary>The same drawing elsewhere.</summary>
    SameDrawing,
    /// <summary>The same name.</summary>
    SameName,
    /// <summary>The same id in the file.</summary>
    SameId,
    /// <summary>The same layers lie in it.</summary>
    SameInside,
    /// <summary>It lies where the other lay.</summary>
    SamePlace,
    /// <summary>The same form in other colours or another size.</summary>
    SameForm,
    /// <summary>It was gone in the draft before, and is back.</summary>
    CameBack,
    /// <summary>People said so.</summary>
    Said,
}
