/** Body mass index, kg/m². */
export const bmiOf = (massKg: number, heightCm: number) => massKg / (heightCm / 100) ** 2
