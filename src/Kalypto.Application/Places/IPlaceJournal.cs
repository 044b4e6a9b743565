namespace Kalypto.Application.Places;

/// <summary>
/// What a delivery to one place is about to do, kept until it is done. It is kept where only Kalypto writes, never in the place
/// itself: whoever can put a file into a checkout must not be able to tell Kalypto what to do.
/// </summary>
public interface IPlaceJournal
{
    /// <summary>What is kept; null for nothing.</summary>
    Task<string?> ReadAsync(CancellationToken cancel);

    /// <summary>Keeps what is about to be done.</summary>
    Task KeepAsync(string steps);

    /// <summary>Forgets it.</summary>
    /// <param name="delivery">The number of the delivery that lies in the place now; null when it is as it was before.</param>
    Task ForgetAsync(int? delivery);
}
