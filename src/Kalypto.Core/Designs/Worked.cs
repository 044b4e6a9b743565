namespace Kalypto.Core.Designs;

/// <summary>
/// Holds what was worked out of an immutable value, in a field of it. A copy made by <c>with</c> takes the field along, but not
/// what is in it: that is worked out anew, for the copy says something else.
/// </summary>
internal struct Worked<T>
    where T : class
{
    private Cell? cell;

    /// <summary>What was worked out; worked out now where it was not yet.</summary>
    /// <param name="owner">The value that the field belongs to.</param>
    /// <param name="make">Works it out.</param>
    public T Of(object owner, Func<T> make)
    {
        var known = cell;
        if (known is null || !ReferenceEquals(known.Owner, owner))
        {
            cell = known = new(owner, make());
        }
        return known.Value;
    }

    // One reference, so that nobody sees the owner of one and the value of another.
    private sealed record Cell(object Owner, T Value);
}
