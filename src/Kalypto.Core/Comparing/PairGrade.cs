namespace Kalypto.Core.Comparing;

/// <summary>How sure it is that two layers of two drafts are the same one.</summary>
public enum PairGrade
{
    /// <summary>What was said of it is carried over.</summary>
    Sure,
    /// <summary>Carried over, and shown as such.</summary>
    Likely,
    /// <summary>Asked; never carried over unasked.</summary>
    Unsure,
}
